// What is entered while there is no network waits on this device, in order, with the moment it was entered, and is sent
// once each when the network is back: every entry carries the key of its form, so that the server writes it once.
import { get, update } from '/static/lib/idb-keyval.js';
import { banner } from './banner.js';
import { AHEAD_MS, byId, onPage } from './page.js';
import { renewKey } from './connection.js';

const STORE = 'waiting';
const AGAIN_MS = 20_000;
const REMEMBERED_MS = 20 * 3_600_000;

const all = async () => await get(STORE) ?? [];
const change = edit => update(STORE, kept => edit(kept ?? []));
const personOn = page => page.querySelector('.who')?.dataset.person;
const me = () => personOn(document);

/** The shop's date and time, as its forms read them. */
const shopTime = () => {
  const parts = Object.fromEntries(new Intl.DateTimeFormat('en-CA', {
    timeZone: document.body.dataset.zone, hourCycle: 'h23', year: 'numeric', month: '2-digit', day: '2-digit',
    hour: '2-digit', minute: '2-digit',
  }).formatToParts(new Date(Date.now() - AHEAD_MS)).map(part => [part.type, part.value]));
  return { day: `${parts.year}-${parts.month}-${parts.day}`, time: `${parts.hour}:${parts.minute}` };
};

const wordsOf = (form, fields) => {
  const line = fields.find(([name]) => name === 'line')?.[1];
  const machine = form.querySelector('input[name=machine]:checked + span')?.textContent ??
    document.querySelector('.about .back span')?.textContent;
  return line ?? [form.dataset.waits, machine].filter(Boolean).join(', ');
};

const keep = async form => {
  const fields = [...new FormData(form)].filter(([name]) => name !== '_csrf');
  const when = shopTime();
  await change(kept => [...kept, {
    id: fields.find(([name]) => name === 'once')?.[1] ?? crypto.randomUUID(),
    path: form.getAttribute('action'),
    multipart: form.enctype === 'multipart/form-data',
    fields,
    words: wordsOf(form, fields),
    entered: `${when.day}T${when.time}`,
    time: when.time,
    since: Date.now(),
    person: me(),
    name: document.querySelector('.who a[href="/account"] span')?.textContent,
  }]);
  renewKey(form);
  form.reset();
  if (form.dataset.draft) sessionStorage.removeItem('draft ' + form.dataset.draft);
  banner(null);
  byId('quick-answer')?.replaceChildren();
  await show();
  window.scrollTo(0, 0);
};

document.addEventListener('htmx:sendError', event => {
  const { elt, requestConfig } = event.detail;
  const form = elt.closest?.('form[data-waits]');
  if (!form || requestConfig?.verb === 'get') return;
  keep(form);
});

const parsed = async answer => new DOMParser().parseFromString(await answer.text(), 'text/html');

const why = html => [...html.querySelectorAll('[role=alert], .wrong, .errors li')]
  .map(said => said.textContent.replace(/\s+/g, ' ').trim())
  .find(text => text) ?? html.body.textContent.replace(/\s+/g, ' ').trim().slice(0, 160);

/** 'sent', 'later' where the network or the sign-in is not there, or why it was not taken. */
const send = async (entry, key) => {
  const body = entry.multipart ? new FormData() : new URLSearchParams();
  for (const [name, value] of entry.fields) body.append(name, value);
  body.set('_csrf', key);
  const headers = { 'HX-Request': 'true', 'Keel-Entered': entry.entered };
  const answer = await fetch(entry.path, { method: 'POST', body, headers });
  const door = answer.headers.has('Keel-Door') || /\/(sign-in|back-in)/.test(answer.url);
  if (door || answer.status >= 500) return 'later';
  if (answer.headers.has('Keel-Again')) return 'sent';
  const html = await parsed(answer);
  const line = entry.fields.some(([name]) => name === 'line');
  const taken = answer.ok && (!line || html.querySelector('[data-undo]'));
  return taken ? 'sent' : why(html);
};

const refuse = (entry, reason) =>
  change(kept => kept.map(other => other.id === entry.id ? { ...other, refused: reason } : other));

const sendNext = async () => {
  const next = (await all()).find(entry => !entry.refused);
  if (!next || next.person !== me()) return false;
  if (Date.now() - next.since > REMEMBERED_MS) {
    await refuse(next, 'it waited for more than a day, and may have arrived. Look in the logbook, and enter it ' +
      'again if it is not there.');
    return true;
  }
  const account = await fetch('/account');
  const there = account.redirected ? null : await parsed(account);
  const key = there?.querySelector('input[name=_csrf]')?.value;
  // another tab may have handed over meanwhile: who is signed in now says the server, not this page
  if (!key || personOn(there) !== next.person) return false;
  const result = await send(next, key);
  if (result === 'later') return false;
  if (result === 'sent') await change(kept => kept.filter(entry => entry.id !== next.id));
  else await refuse(next, result);
  return true;
};

let sending = false;

/** A second tab stands back where the browser can tell; else only this page does, and the keys see to the rest. */
const alone = async work => {
  if (navigator.locks) {
    await navigator.locks.request(STORE, { ifAvailable: true }, lock => lock ? work() : null);
  } else if (!sending) {
    sending = true;
    try {
      await work();
    } finally {
      sending = false;
    }
  }
};

/** Sends what waits, one after the other. */
const sendAll = () => alone(async () => {
  let sent = 0;
  try {
    while (await sendNext()) sent += 1;
  } catch {
    // the network is not back: it is tried again
  }
  if (sent === 0) return;
  await show();
  byId('kept')?.remove();
  const { pathname, search } = location;
  if (byId('main') && !document.querySelector('main form :focus')) {
    htmx.ajax('GET', pathname + search, { target: '#main', select: '#main', swap: 'outerHTML' });
  }
});

const button = (words, tapped) => {
  const made = document.createElement('button');
  made.type = 'button';
  made.className = 'btn btn-line';
  made.textContent = words;
  made.addEventListener('click', tapped);
  return made;
};

const line = entry => {
  const item = document.createElement('li');
  const words = document.createElement('span');
  const theirs = entry.person === me() ? '' : `, entered by ${entry.name}, who has to sign in here`;
  words.textContent = `${entry.words} (${entry.time})` +
    (entry.refused ? ` was not taken: ${entry.refused}` : theirs);
  item.append(words);
  if (entry.refused) {
    item.append(button('Forget it', async () => {
      await change(kept => kept.filter(other => other.id !== entry.id));
      await show();
    }));
  }
  return item;
};

/** What waits stands under the header, in the flow of the page: it covers nothing. */
async function show() {
  const kept = await all();
  byId('waiting')?.remove();
  if (kept.length === 0 || !document.querySelector('.topline')) return;
  const box = document.createElement('section');
  box.id = 'waiting';
  box.setAttribute('aria-label', 'Entries that wait for the network');
  const head = document.createElement('p');
  const waits = kept.filter(entry => !entry.refused).length;
  head.textContent = waits === 0 ? 'Entered without a network:'
    : `${waits === 1 ? 'One entry waits' : waits + ' entries wait'} on this device for the network.`;
  head.setAttribute('role', 'status');
  const list = document.createElement('ul');
  list.append(...kept.map(line));
  box.append(head, list);
  if (waits > 0) box.append(button('Send now', sendAll));
  document.querySelector('.topline').after(box);
}

window.addEventListener('online', sendAll);
setInterval(async () => { if ((await all()).some(entry => !entry.refused)) sendAll(); }, AGAIN_MS);
onPage(async () => {
  await show();
  await sendAll();
});
