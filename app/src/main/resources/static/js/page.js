// What several modules need of the page they are on.
export const byId = id => document.getElementById(id);

const CLOCK = 'shop clock';

const aheadNow = () => {
  if (byId('kept') || !document.body.dataset.now) return Number(localStorage.getItem(CLOCK) ?? 0);
  const ahead = Date.now() - Number(document.body.dataset.now);
  localStorage.setItem(CLOCK, ahead);
  return ahead;
};

/**
 * How far this device's clock is ahead of the shop's, ms. A page that was kept says when it was made, not what the time
 * is: then the last one counts that was fresh.
 */
export const AHEAD_MS = aheadNow();

const FIELDS = 'input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]';

/** Whether a key goes into a field. */
export const typing = event => event.target.closest?.(FIELDS);

/** Whether a key is held together with one that makes it something else. */
export const chorded = event => event.ctrlKey || event.metaKey || event.altKey;

/** Calls with the document now, and again whenever a page or a part of one was swapped in. */
export const onContent = equip => {
  document.addEventListener('htmx:load', () => equip(document));
  equip(document);
};

/** Calls when a whole page has come: at first, and after each step from page to page. */
export const onPage = ready => {
  document.addEventListener('htmx:load', event => {
    if (event.target === document.body || event.detail.elt === document.body) ready();
  });
  ready();
};

const SVG = 'http://www.w3.org/2000/svg';

/** A piece of a drawing with its attributes. */
export const drawn = (name, attributes) => {
  const piece = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) piece.setAttribute(key, value);
  return piece;
};

/** Where an event happened, in the units of a drawing. */
export const pointOn = (drawing, event) =>
  new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing.getScreenCTM().inverse());
