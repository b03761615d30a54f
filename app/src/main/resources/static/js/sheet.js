// The side sheet: a page's own content, slid in over the page one is on; and the buttons that open and close dialogs.
import { byId, onPage } from './page.js';
import { restoreDrafts } from './drafts.js';

const NARROW_PX = 760;
let inSheet = null;

const openSheet = async url => {
  const sheet = byId('sheet');
  const body = byId('sheet-body');
  if (inSheet === url && body.childElementCount) {
    sheet.showModal();
    return;
  }
  await htmx.ajax('GET', url, { target: '#sheet-body', select: '#main > *', swap: 'innerHTML' });
  inSheet = url;
  restoreDrafts(body);
  if (!sheet.open) sheet.showModal();
  body.querySelector('input:not([type=hidden]), button, a')?.focus();
};

// What stands in the sheet is out of date: next time it is asked for anew.
const forget = () => { inSheet = null; };

const plainClick = event => !event.ctrlKey && !event.metaKey && !event.shiftKey;

document.addEventListener('click', event => {
  const opens = event.target.closest('a[data-sheet]');
  if (opens && plainClick(event) && window.innerWidth > NARROW_PX && byId('sheet')) {
    event.preventDefault();
    event.stopPropagation();
    openSheet(opens.getAttribute('href'));
  }
  const shows = event.target.closest('[data-show]');
  if (shows) byId(shows.dataset.show)?.showModal();
  const closes = event.target.closest('[data-close]');
  if (closes) byId(closes.dataset.close)?.close();
  if (event.target.closest('[data-print]')) window.print();
}, true);

document.addEventListener('keel:sent', forget);
onPage(forget);
