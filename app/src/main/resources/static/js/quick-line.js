// The quick line: lines offered to choose from, and the minute in which an entry can be taken back.
import { byId } from './page.js';

const UNDO_S = 60;
let countdown = 0;

export const clearQuickLine = () => {
  if (byId('quick-line')) byId('quick-line').value = '';
  if (byId('quick-answer')) byId('quick-answer').replaceChildren();
};

/** Puts a text into the line and has it read. */
export const readLine = text => {
  byId('quick-line').value = text;
  byId('quick-line').focus();
  htmx.trigger('#quick-line', 'input');
};

document.addEventListener('click', event => {
  const line = event.target.closest('[data-line]');
  if (line) readLine(line.dataset.line);
}, true);

const countDown = () => {
  clearInterval(countdown);
  let left = UNDO_S;
  countdown = setInterval(() => {
    const shown = document.querySelector('[data-countdown]');
    left -= 1;
    if (shown && left > 0) {
      shown.textContent = left + ' s';
      return;
    }
    clearInterval(countdown);
    if (shown) byId('quick-answer').replaceChildren();
  }, 1000);
};

document.addEventListener('quick-done', () => {
  byId('quick-line').value = '';
  htmx.ajax('GET', location.pathname + location.search, { target: '#main', select: '#main', swap: 'outerHTML' });
  countDown();
});
