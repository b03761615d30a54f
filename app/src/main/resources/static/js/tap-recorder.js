// A recording of taps: raw samples of the microphone, written as WAV into the file field, so that the form is the same
// with a microphone or without.
import { banner } from './banner.js';
import { onContent } from './page.js';
import { wav } from './wav.js';

const RECORD_S = 4;
const canRecord = !!navigator.mediaDevices?.getUserMedia && 'AudioWorkletNode' in window && 'DataTransfer' in window;

// what makes speech clearer would bend the tone
const PLAIN_SOUND = { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 };

/** The first samples of a stream, all pieces joined; progress hears how many have come. */
const listen = async (audio, stream, wanted, progress) => {
  await audio.audioWorklet.addModule(new URL('./tap-worklet.js', import.meta.url));
  const tap = new AudioWorkletNode(audio, 'taps', { numberOfInputs: 1, numberOfOutputs: 0 });
  const source = audio.createMediaStreamSource(stream);
  const samples = new Float32Array(wanted);
  let count = 0;
  await new Promise(done => {
    tap.port.onmessage = ({ data }) => {
      const piece = data.subarray(0, wanted - count);
      samples.set(piece, count);
      count += piece.length;
      progress(count);
      if (count >= wanted) done();
    };
    source.connect(tap);
  });
  source.disconnect();
  return samples;
};

const record = async (button, box) => {
  let stream;
  let audio;
  try {
    stream = await navigator.mediaDevices.getUserMedia({ audio: PLAIN_SOUND });
    audio = new AudioContext();
    const wanted = RECORD_S * audio.sampleRate;
    const samples = await listen(audio, stream, wanted, count => {
      button.textContent = `Tap now, ${Math.ceil((wanted - count) / audio.sampleRate)} s`;
    });
    const carried = new DataTransfer();
    const name = box.dataset.record + '.wav';
    carried.items.add(new File([wav(samples, Math.round(audio.sampleRate))], name, { type: 'audio/wav' }));
    box.querySelector('input[type=file]').files = carried.files;
    box.classList.add('heard');
    button.textContent = 'Recorded; record again';
  } finally {
    stream?.getTracks().forEach(track => track.stop());
    audio?.close();
  }
};

document.addEventListener('click', async event => {
  const button = event.target.closest('[data-record-start]');
  if (!button || button.disabled) return;
  button.disabled = true;
  try {
    await record(button, button.closest('[data-record]'));
  } catch (problem) {
    button.textContent = `Record ${RECORD_S} s`;
    banner(`The microphone cannot be used: ${problem.message}. Choose a WAV file instead; nothing is lost.`);
  } finally {
    button.disabled = false;
  }
});

onContent(root => {
  if (!canRecord) return;
  root.querySelectorAll('[data-record-start]').forEach(button => { button.hidden = false; });
  root.querySelectorAll('[data-no-microphone]').forEach(words => { words.hidden = true; });
});
