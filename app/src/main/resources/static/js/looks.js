// Looks that are due are asked for every minute, while somebody is about: a forgotten tablet must not stay signed in.
import { byId } from './page.js';

const WATCHED_MS = 11 * 3600e3;
let touched = Date.now();

for (const kind of ['pointerdown', 'keydown']) {
  document.addEventListener(kind, () => { touched = Date.now(); }, true);
}

setInterval(() => {
  if (document.hidden || Date.now() - touched >= WATCHED_MS) return;
  byId('looks')?.dispatchEvent(new CustomEvent('keel:minute'));
}, 60e3);
