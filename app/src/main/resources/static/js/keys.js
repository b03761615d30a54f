// Keys press what is on the page: places after g, answers by number, a guide's buttons.
import { emergency } from './emergency.js';
import { byId, chorded, typing } from './page.js';
import { clearQuickLine } from './quick-line.js';

const PLACE_WITHIN_MS = 1500;
let wentG = 0;

/** Whether g was pressed a moment ago, so that the next key names a place. */
export const placeAwaited = () => Date.now() - wentG < PLACE_WITHIN_MS;

const BUTTONS = 'button, a, summary, input[type=checkbox], input[type=radio]:not(:checked)';

// Space, Backspace and n in a guide press its buttons, unless what has the focus means to be pressed itself.
const guideKey = event => {
  const guide = document.querySelector('[data-guide]');
  if (!guide || event.key === ' ' && event.target.closest(BUTTONS)) return false;
  const press = { ' ': '[data-done]', Backspace: '[data-back]', n: '[data-note]' }[event.key];
  const button = press && guide.querySelector(press);
  if (!button) return false;
  event.preventDefault();
  if (button.matches('details')) {
    button.open = true;
    button.querySelector('textarea, input:not([type=hidden])')?.focus();
  } else {
    button.click();
  }
  return true;
};

// A number key gives the answer that stands behind it.
const answerKey = event => {
  const button = /^[0-9]$/.test(event.key) && document.querySelector(`[data-answers] [data-key="${event.key}"]`);
  if (button) button.click();
  return !!button;
};

const inQuickLine = () => {
  const active = document.activeElement;
  return active?.id === 'quick-line' || byId('quick-answer')?.contains(active);
};

const goTo = key => {
  wentG = 0;
  document.querySelector(`.spine a[data-key="${CSS.escape(key)}"]`)?.click();
};

const pageKey = event => {
  if (event.key === '?') {
    byId('keys')?.showModal();
  } else if (event.key === '!') {
    emergency();
  } else if (event.key === '/') {
    event.preventDefault();
    byId('quick-line')?.focus();
  } else if (guideKey(event) || answerKey(event)) {
    return;
  } else if (event.key === 'g') {
    wentG = Date.now();
  } else if (placeAwaited()) {
    goTo(event.key);
  } else if (event.key === 'n') {
    document.querySelector('[data-n]')?.click();
  }
};

document.addEventListener('keydown', event => {
  if (event.key === 'Escape' && inQuickLine()) {
    clearQuickLine();
    document.activeElement.blur();
    return;
  }
  if (typing(event) || chorded(event)) return;
  if (document.querySelector('dialog[open]') && event.key !== 'Escape') return;
  pageKey(event);
});
