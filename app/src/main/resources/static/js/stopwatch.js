// The stopwatch: t or its button starts and stops; what was timed goes to the field that is marked.
import { chorded, onContent, typing } from './page.js';
import { placeAwaited } from './keys.js';

let since = 0;
let ticking = 0;

const marked = () => document.querySelector('.reading.marked [data-watch]');
const mark = input => document.querySelectorAll('[data-watch]')
  .forEach(other => other.closest('.reading').classList.toggle('marked', other === input));
const seconds = digits => ((performance.now() - since) / 1000).toFixed(digits);

const start = (shown, words) => {
  since = performance.now();
  words.textContent = 'Stop ';
  ticking = setInterval(() => { shown.textContent = seconds(1) + ' s'; }, 90);
};

const stop = (shown, words) => {
  const timed = seconds(2);
  clearInterval(ticking);
  since = 0;
  shown.textContent = timed + ' s';
  words.textContent = 'Start ';
  const into = marked();
  into.value = (into.value.trim() + ' ' + timed).trim();
  into.dispatchEvent(new Event('input', { bubbles: true }));
};

const toggle = () => {
  const watch = document.querySelector('[data-stopwatch]');
  const turn = since ? stop : start;
  turn(watch.querySelector('output'), watch.querySelector('button').firstChild);
};

document.addEventListener('focusin', event => {
  if (event.target.matches?.('[data-watch]')) mark(event.target);
});

document.addEventListener('keydown', event => {
  if (event.key !== 't' || chorded(event) || placeAwaited() || !marked()) return;
  if (typing(event) && !event.target.matches('[data-watch]')) return;
  event.preventDefault();
  toggle();
});

onContent(() => {
  const watch = document.querySelector('[data-stopwatch]');
  const first = document.querySelector('[data-watch]');
  if (!watch || !first || !watch.hidden) return;
  clearInterval(ticking);
  since = 0;
  watch.hidden = false;
  mark(first);
  watch.querySelector('button').addEventListener('click', toggle);
});
