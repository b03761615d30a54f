// The device keeps how things look and what was read last (worker.js): without a network it is shown as it was, and
// says so. A service worker needs HTTPS or this machine itself; elsewhere nothing is kept and nothing breaks.
import { byId } from './page.js';

const READ_AHEAD = ['/fleet', '/round', '/guides/read', '/help'];
const ASKED = 'read ahead';

const looksHere = () => performance.getEntriesByType('resource')
  .map(entry => new URL(entry.name))
  .filter(url => url.origin === location.origin && /^\/(static|webjars)\//.test(url.pathname))
  .map(url => url.href);

const tell = message => navigator.serviceWorker.ready.then(ready => ready.active?.postMessage(message));

const readAhead = () => {
  if (sessionStorage.getItem(ASKED) || !byId('quick-line')) return;
  sessionStorage.setItem(ASKED, 'yes');
  tell({ looks: looksHere(), pages: READ_AHEAD });
};

if ('serviceWorker' in navigator) {
  navigator.serviceWorker.register('/worker.js').then(readAhead).catch(() => {});
  // Whoever goes leaves nothing to read; what they entered still waits for them.
  document.addEventListener('submit', event => {
    if (/^\/(sign-out|hand-over)$/.test(event.target.getAttribute('action'))) tell({ forget: true });
  });
}
