// Runs beside the page in the audio thread: hands on what the microphone hears, in pieces large enough to be few.
const PIECE = 4096;

class Taps extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(PIECE);
    this.filled = 0;
  }

  process([input]) {
    const heard = input[0];
    if (!heard) return true;
    this.piece.set(heard, this.filled);
    this.filled += heard.length;
    if (this.filled === PIECE) {
      this.port.postMessage(this.piece, [this.piece.buffer]);
      this.piece = new Float32Array(PIECE);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('taps', Taps);
