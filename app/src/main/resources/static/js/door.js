// A sign-in that ended, or a tablet that was left alone, asks over the page; what was typed stays, and is sent once
// somebody said who they are.
import { banner } from './banner.js';

let waiting;

const field = (label, name, type) => {
  const box = document.createElement('div');
  box.className = 'field';
  const words = document.createElement('label');
  words.className = 'form-label';
  words.htmlFor = 'door-' + name;
  words.textContent = label;
  const input = document.createElement('input');
  Object.assign(input, { id: 'door-' + name, name, type, required: true, className: 'form-control' });
  input.autocomplete = type === 'password' ? 'current-password' : 'username';
  box.append(words, input);
  return box;
};

const ask = (title, fields, send) => {
  document.getElementById('door')?.remove();
  const dialog = document.createElement('dialog');
  dialog.id = 'door';
  dialog.className = 'keys';
  dialog.setAttribute('aria-labelledby', 'door-title');
  const form = document.createElement('form');
  const heading = document.createElement('h2');
  heading.id = 'door-title';
  heading.textContent = title;
  const words = document.createElement('p');
  words.textContent = 'Nothing was written yet. What you typed is still here and is sent as soon as you are in.';
  const wrong = document.createElement('p');
  wrong.className = 'wrong';
  wrong.setAttribute('role', 'alert');
  const go = document.createElement('button');
  go.className = 'btn btn-main';
  go.textContent = 'Go on';
  form.append(heading, words, wrong, ...fields, go);
  form.addEventListener('submit', async event => {
    event.preventDefault();
    go.disabled = true;
    try {
      wrong.textContent = await send(new URLSearchParams(new FormData(form))) ?? '';
      if (!wrong.textContent) {
        dialog.remove();
        again();
      }
    } catch {
      wrong.textContent = 'No connection. Try again when the network is back.';
    }
    go.disabled = false;
  });
  dialog.append(form);
  document.body.append(dialog);
  dialog.showModal();
};

const page = async (path, options) => {
  const answer = await fetch(path, { credentials: 'same-origin', ...options });
  return { answer, html: new DOMParser().parseFromString(await answer.text(), 'text/html') };
};

const keyOf = html => html.querySelector('input[name=_csrf]')?.value;

/** Every form on the page goes on with the key of the session that is open now. */
const renew = key => document.querySelectorAll('input[name=_csrf]').forEach(input => { input.value = key; });

const post = (path, body, key) => {
  body.set('_csrf', key);
  return page(path, { method: 'POST', body });
};

const signIn = async body => {
  const before = await page('/sign-in');
  const { answer, html } = await post('/sign-in', body, keyOf(before.html));
  if (answer.url.includes('/sign-in')) return html.querySelector('[role=alert]')?.textContent ?? 'That was not right.';
  renew(keyOf(html));
  return null;
};

const backIn = async body => {
  const before = await page('/back-in');
  body.set('to', '/account');
  const { answer, html } = await post('/back-in', body, keyOf(before.html));
  if (answer.status !== 200) return html.querySelector('.wrong')?.textContent ?? 'That was not right.';
  renew(keyOf(html));
  return null;
};

const again = () => {
  const { elt, path, verb, submitter } = waiting ?? {};
  waiting = null;
  banner(null);
  if (verb === 'get') window.location.assign(path);
  else (elt?.closest?.('form') ?? elt)?.requestSubmit?.(submitter);
};

const ASKS = {
  'sign-in': () => ask(
    'Your sign-in has ended',
    [field('Name', 'username', 'text'), field('Password', 'password', 'password')],
    signIn),
  locked: () => ask('Still you?', [field('PIN, or password', 'secret', 'password')], backIn),
  again: async () => {
    renew(keyOf((await page('/account')).html));
    again();
  },
};

document.addEventListener('htmx:beforeSwap', event => {
  const why = event.detail.xhr.getResponseHeader('Keel-Door');
  if (!why) return;
  event.detail.shouldSwap = false;
  const { elt, path, verb, triggeringEvent } = event.detail.requestConfig;
  const typing = elt.matches?.('#quick-line, #looks');
  if (typing) return;
  waiting = { elt, path, verb, submitter: triggeringEvent?.submitter };
  ASKS[why]?.();
});
