// The camera reads a label's code into the quick line, where the device can read codes by itself.
import { banner } from './banner.js';
import { onPage } from './page.js';
import { readLine } from './quick-line.js';

const LOOK_EACH_MS = 150;
const canScan = 'BarcodeDetector' in window && !!navigator.mediaDevices?.getUserMedia;

const viewfinder = () => {
  const video = document.createElement('video');
  video.setAttribute('playsinline', '');
  const box = document.createElement('dialog');
  box.className = 'keys';
  box.append(video);
  document.body.append(box);
  return { video, box };
};

const lookUntilFound = async (video, box) => {
  const detector = new BarcodeDetector({ formats: ['qr_code'] });
  while (box.open) {
    const found = await detector.detect(video);
    if (found.length) {
      box.close();
      readLine(found[0].rawValue);
    }
    await new Promise(next => setTimeout(next, LOOK_EACH_MS));
  }
};

const scan = async () => {
  const { video, box } = viewfinder();
  try {
    const stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
    video.srcObject = stream;
    box.showModal();
    box.addEventListener('close', () => {
      stream.getTracks().forEach(track => track.stop());
      box.remove();
    });
    await video.play();
    await lookUntilFound(video, box);
  } catch (problem) {
    box.remove();
    banner(`The camera cannot be used: ${problem.message}. Type the code that stands under the label.`);
  }
};

document.addEventListener('click', event => {
  if (event.target.closest('[data-scan]')) scan();
}, true);

onPage(() => {
  if (canScan) document.querySelectorAll('[data-scan]').forEach(button => { button.hidden = false; });
});
