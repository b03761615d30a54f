// What somebody wants to be reminded of is asked for every minute: in the title, as a notification where the device was
// allowed to, and as a sound where it is wanted. Each is told once on a device.
import { byId } from './page.js';

const EVERY_MS = 60e3;
const WATCHED_MS = 11 * 3600e3;
const KEY = 'keel-reminded';
// Asked by itself: it keeps no forgotten tablet awake.
const ASKS = { Accept: 'application/json', 'HX-Request': 'true', 'HX-Trigger': 'looks' };
const MOST_KEPT = 200;
const plain = document.title.replace(/^\(\d+\) /, '');
let touched = Date.now();

const told = () => {
  try { return JSON.parse(localStorage.getItem(KEY)) ?? []; } catch { return []; }
};

const beep = () => {
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  const loud = audio.createGain();
  loud.gain.setValueAtTime(.15, audio.currentTime);
  loud.gain.exponentialRampToValueAtTime(.001, audio.currentTime + .6);
  tone.frequency.value = 660;
  tone.connect(loud).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + .6);
  tone.onended = () => audio.close();
};

const show = note => {
  if (!('Notification' in window) || Notification.permission !== 'granted') return;
  const shown = new Notification(note.title, { body: note.why, tag: note.key });
  shown.onclick = () => { window.focus(); location.assign(note.url); };
};

const say = ({ sound, notes }) => {
  const title = document.title.replace(/^\(\d+\) /, '');
  document.title = notes.length ? `(${notes.length}) ${title}` : title || plain;
  const before = told();
  const fresh = notes.filter(note => !before.includes(note.key));
  if (!fresh.length) return;
  fresh.forEach(show);
  if (sound) beep();
  const open = notes.map(note => note.key);
  localStorage.setItem(KEY, JSON.stringify(open.slice(-MOST_KEPT)));
};

const ask = async () => {
  if (!byId('looks') || Date.now() - touched >= WATCHED_MS) return;
  try {
    const answer = await fetch('/reminders', { headers: ASKS });
    if (answer.ok && answer.headers.get('Content-Type')?.includes('json')) say(await answer.json());
  } catch { /* without a network the next minute asks again */ }
};

for (const kind of ['pointerdown', 'keydown']) {
  document.addEventListener(kind, () => { touched = Date.now(); }, true);
}
setInterval(ask, EVERY_MS);

const offer = () => {
  const button = document.querySelector('[data-notify]');
  const said = document.querySelector('[data-notify-said]');
  if (!button) return;
  const can = 'Notification' in window && isSecureContext;
  const state = can ? Notification.permission : 'none';
  button.hidden = state !== 'default';
  said.textContent = {
    granted: 'This device shows them.',
    denied: 'This device was told not to show them; its browser’s settings change that.',
    none: 'This device shows none here: that takes HTTPS, or the machine itself.'
  }[state] ?? '';
};

document.addEventListener('click', async event => {
  if (!event.target.closest?.('[data-notify]')) return;
  await Notification.requestPermission();
  offer();
});
document.addEventListener('htmx:afterSettle', offer);
offer();
