// A dropped connection is said; what was typed stays. Whether it arrived nobody knows here: each form carries a key, so
// that sending it again writes it once.
import { banner } from './banner.js';
import { byId } from './page.js';

const KEY = '[name=once]';

document.addEventListener('htmx:sendError', event => {
  const { elt, requestConfig } = event.detail;
  if (elt.id === 'looks') return;
  if (elt.id === 'quick-line') {
    const said = document.createElement('p');
    said.className = 'answer';
    said.textContent = 'No network: it cannot be read now. Enter keeps it on this device until it can.';
    byId('quick-answer').replaceChildren(said);
    return;
  }
  banner(requestConfig?.verb === 'get'
    ? 'No connection. What you typed is still here; try again when the network is back.'
    : 'No connection: it is not known whether it arrived. What you typed is still here; tap again when the network ' +
      'is back, it will be written once.');
});

/** From now on a form stands for something new. */
export const renewKey = form => {
  const key = form?.querySelector(KEY);
  if (key) key.value = Array.from(crypto.getRandomValues(new Uint32Array(4)), n => n.toString(36)).join('-');
};

/** A form that stays on the page after it was answered stands for something new from then on. */
document.addEventListener('htmx:afterRequest', event => {
  if (!event.detail.successful) return;
  banner(null);
  renewKey(event.detail.elt.closest?.('form'));
});
