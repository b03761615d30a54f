// A dropped connection is said; what was typed stays.
import { banner } from './banner.js';

document.addEventListener('htmx:sendError', event => {
  if (event.detail.elt.id === 'looks') return;
  banner('No connection: nothing was sent. What you typed is still here; try again when the network is back.');
});

document.addEventListener('htmx:afterRequest', event => {
  if (event.detail.successful) banner(null);
});
