// WAV, 16 bits, one channel (RIFF WAVE, PCM).
const HEAD = 44;

/** A file of samples from -1 to 1. */
export const wav = (samples, rate) => {
  const view = new DataView(new ArrayBuffer(HEAD + 2 * samples.length));
  const text = (at, words) => [...words].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
  text(0, 'RIFF');
  view.setUint32(4, HEAD - 8 + 2 * samples.length, true);
  text(8, 'WAVEfmt ');
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, 'data');
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((s, i) => view.setInt16(HEAD + 2 * i, Math.max(-1, Math.min(1, s)) * 32767, true));
  return new Blob([view], { type: 'audio/wav' });
};
