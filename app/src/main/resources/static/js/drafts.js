// What was typed into a form marked so is kept in this tab until it is sent.
import { onPage } from './page.js';

const key = form => 'draft ' + form.dataset.draft;

const fill = (field, kept) => {
  if (field.type === 'checkbox' || field.type === 'radio') field.checked = kept.includes(field.value);
  else if (!field.value) field.value = kept[0];
};

const restore = form => {
  const kept = sessionStorage.getItem(key(form));
  if (!kept || form.querySelector('[aria-invalid]')) return;
  const values = new Map(JSON.parse(kept));
  for (const field of form.elements) {
    if (!field.name || field.type === 'hidden' || field.type === 'file') continue;
    if (values.has(field.name)) fill(field, values.get(field.name));
  }
};

export const restoreDrafts = root => root.querySelectorAll('form[data-draft]').forEach(restore);

document.addEventListener('input', event => {
  const form = event.target.form;
  if (!form?.dataset.draft) return;
  const values = new Map();
  for (const [name, value] of new FormData(form)) {
    if (typeof value === 'string') values.set(name, [...values.get(name) ?? [], value]);
  }
  sessionStorage.setItem(key(form), JSON.stringify([...values]));
});

document.addEventListener('htmx:beforeSwap', event => {
  const form = event.detail.requestConfig?.elt?.closest?.('form[data-draft]');
  if (!form || event.detail.xhr.status >= 400) return;
  sessionStorage.removeItem(key(form));
  document.dispatchEvent(new CustomEvent('keel:sent'));
});

onPage(() => restoreDrafts(document));
