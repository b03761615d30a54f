// A sliced file layer by layer: by the slider, the keys, the finger or the curve, and from finding to finding. Without
// this the links on the findings' numbers show their layers.
const NEAR_MM = 30;
const AHEAD = [1, -1, 2];

const figure = () => document.querySelector('[data-layers]');
const found = () => [...document.querySelectorAll('[data-found]')];
const spans = (element, layer) => +element.dataset.from <= layer && layer <= +element.dataset.to;

const mm = (fig, layer) => +fig.dataset.mm ? `, ${(layer * +fig.dataset.mm).toFixed(1)} mm` : '';

const cursor = (layer, count) => {
  const line = document.querySelector('.areas .cursor');
  line?.setAttribute('transform', `translate(${760 * (layer - 0.5) / count} 0)`);
};

/** Pictures beside the one that is shown, so that they are there when they are asked for. */
const fetchAhead = (fig, layer) => AHEAD.map(step => layer + step)
  .filter(next => next >= 1 && next <= +fig.dataset.count)
  .forEach(next => { new Image().src = fig.dataset.path + next; });

const show = (fig, wanted) => {
  const count = +fig.dataset.count;
  const layer = Math.max(1, Math.min(count, Math.round(wanted)));
  fig.dataset.layer = layer;
  fig.querySelector('image').setAttribute('href', fig.dataset.path + layer);
  fig.querySelector('.layer').setAttribute('aria-label', `Layer ${layer}`);
  fig.querySelector('input').value = layer;
  fig.querySelector('output').textContent = `${layer} of ${count}${mm(fig, layer)}`;
  fig.querySelectorAll('.here').forEach(mark => mark.toggleAttribute('hidden', !spans(mark, layer)));
  found().forEach(item => item.classList.toggle('current', spans(item, layer)));
  cursor(layer, count);
  fetchAhead(fig, layer);
};

/** All of it, or what lies around a place. */
const frame = (fig, at) => {
  const wide = +fig.dataset.wide;
  const deep = +fig.dataset.deep;
  const near = Math.min(NEAR_MM, wide, deep);
  const box = at ? [at.x - near / 2, at.y - near * deep / wide / 2, near, near * deep / wide] : [0, 0, wide, deep];
  fig.querySelector('.layer').setAttribute('viewBox', box.join(' '));
  fig.querySelector('[data-closer]').setAttribute('aria-pressed', String(Boolean(at)));
};

const place = (fig, item) => item
  ? { x: +item.dataset.x, y: +fig.dataset.deep - +item.dataset.y }
  : { x: +fig.dataset.wide / 2, y: +fig.dataset.deep / 2 };

const closer = fig => fig.querySelector('[data-closer]').getAttribute('aria-pressed') === 'true';

const go = (fig, item) => {
  show(fig, +item.dataset.from);
  if (closer(fig)) frame(fig, place(fig, item));
};

const next = fig => {
  const items = found();
  const now = items.indexOf(items.find(item => item.dataset.now));
  items.forEach(item => delete item.dataset.now);
  const item = items[(now + 1) % items.length];
  item.dataset.now = 'yes';
  item.scrollIntoView({ block: 'nearest' });
  go(fig, item);
};

document.addEventListener('input', event => {
  const fig = event.target.closest?.('[data-layers]');
  if (fig && event.target.type === 'range') show(fig, +event.target.value);
});

document.addEventListener('click', event => {
  const fig = figure();
  if (!fig) return;
  const number = event.target.closest?.('.found-number');
  if (number) {
    event.preventDefault();
    event.stopPropagation();
    go(fig, number.closest('[data-found]'));
  } else if (event.target.closest?.('[data-next]')) {
    next(fig);
  } else if (event.target.closest?.('[data-step]')) {
    show(fig, +fig.dataset.layer + +event.target.closest('[data-step]').dataset.step);
  } else if (event.target.closest?.('[data-closer]')) {
    frame(fig, closer(fig) ? null : place(fig, found().find(item => spans(item, +fig.dataset.layer))));
  }
}, true);

let drag = null;
document.addEventListener('pointerdown', event => {
  const svg = event.target.closest?.('.layer, .areas svg');
  const fig = figure();
  if (!svg || !fig) return;
  drag = { curve: svg.matches('.areas svg'), svg, x: event.clientX, layer: +fig.dataset.layer };
  move(event);
});

const move = event => {
  const fig = figure();
  if (!drag || !fig) return;
  const box = drag.svg.getBoundingClientRect();
  const share = drag.curve ? (event.clientX - box.left) / box.width : (event.clientX - drag.x) / box.width;
  show(fig, drag.curve ? share * +fig.dataset.count + 0.5 : drag.layer + share * +fig.dataset.count);
};
document.addEventListener('pointermove', move);
document.addEventListener('pointerup', () => { drag = null; });
document.addEventListener('pointercancel', () => { drag = null; });
