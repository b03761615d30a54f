// Times that run down: a timer at a step that somebody starts, and what is waited for until a moment.
import { AHEAD_MS } from './page.js';

const BUZZ_MS = [200, 100, 200];
const two = n => String(n).padStart(2, '0');
const minutesAndSeconds = s => Math.floor(s / 60) + ':' + two(s % 60);
const hoursAndMinutes = s => Math.floor(s / 3600) + ' h ' + two(Math.floor(s / 60) % 60);
const secondsTo = moment => Math.ceil((moment - Date.now()) / 1000);

// A step's timer is kept on this tablet under its guide and step: it stands still while the guide is paused.
const keyOf = button => `timer ${location.pathname} ${button.dataset.timerOf}`;
const keep = (button, state) => {
  if (button.dataset.timerOf) sessionStorage.setItem(keyOf(button), JSON.stringify(state));
};

const run = (button, seconds) => {
  button.dataset.ends = Date.now() + seconds * 1000;
  keep(button, { ends: Number(button.dataset.ends) });
  const shown = button.querySelector('.figure');
  const tick = setInterval(() => {
    const left = secondsTo(button.dataset.ends);
    if (!button.isConnected || left <= 0) clearInterval(tick);
    shown.textContent = left > 0 ? minutesAndSeconds(left) : 'Time';
    if (button.isConnected && left <= 0) {
      button.classList.add('over');
      navigator.vibrate?.(BUZZ_MS);
    }
  }, 250);
};

document.addEventListener('click', event => {
  const button = event.target.closest('[data-timer]');
  if (!button || button.dataset.ends) return;
  run(button, Number(button.dataset.left ?? button.dataset.timer));
});

document.addEventListener('submit', event => {
  if (!event.target.matches('[data-pause]')) return;
  document.querySelectorAll('[data-timer][data-ends]')
    .forEach(b => keep(b, { left: Math.max(1, secondsTo(b.dataset.ends)) }));
}, true);

const restore = () => document.querySelectorAll('[data-timer]:not([data-ends])').forEach(button => {
  const kept = JSON.parse(sessionStorage.getItem(keyOf(button)) ?? 'null');
  if (kept?.ends && kept.ends > Date.now()) run(button, secondsTo(kept.ends));
  if (!kept?.left) return;
  button.dataset.left = kept.left;
  button.querySelector('.figure').textContent = minutesAndSeconds(kept.left);
  if (!document.querySelector('[data-go-on]')) run(button, kept.left);
});
restore();
document.addEventListener('htmx:afterSettle', restore);

const show = awaited => {
  const left = secondsTo(Number(awaited.dataset.until) + AHEAD_MS);
  awaited.textContent = left <= 0 ? 'time is up' : left < 3600 ? minutesAndSeconds(left) : hoursAndMinutes(left);
  if (left > 0 || awaited.classList.contains('over')) return;
  awaited.classList.add('over');
  if (left > -3) navigator.vibrate?.(BUZZ_MS);
};

const showAll = () => document.querySelectorAll('[data-until]').forEach(show);
showAll();
setInterval(showAll, 1000);
