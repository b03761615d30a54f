// Marks on the map of a film: a tap adds one, the list makes it larger, smaller or takes it away. The text is what is
// sent: a line a mark, "dent 40 22 3".
import { drawn, onContent, pointOn } from './page.js';

const MOST_MM = 300;
const LEAST_MM = 0.5;
const STEPS = [['−', 1 / 1.5, 'smaller'], ['+', 1.5, 'larger'], ['gone', 0, 'take away']];

const textOf = form => form.querySelector('[data-mark-text]');

const read = form => textOf(form).value.split('\n')
  .map(line => line.trim().split(/\s+/))
  .filter(words => words.length === 4)
  .map(([kind, x, y, size]) => ({ kind: kind.toLowerCase(), x: +x, y: +y, size: +size }));

const asLine = mark => `${mark.kind} ${mark.x.toFixed(1)} ${mark.y.toFixed(1)} ${mark.size.toFixed(1)}`;

const write = (form, marks) => {
  textOf(form).value = marks.map(asLine).join('\n');
  draw(form);
};

const SHAPES = {
  scratch: r => [drawn('path', { d: `M${-r} ${r * .4}L${r} ${-r * .4}` })],
  haze: r => [drawn('rect', { x: -r, y: -r * .7, width: 2 * r, height: 1.4 * r })],
  hole: r => [drawn('circle', { r: r + 1.2 }), drawn('circle', { r: r * .5 + .4, class: 'through' })],
  dent: r => [drawn('circle', { r }), drawn('circle', { r: r * .45, class: 'dimple' })],
};

const onMap = (mark, depth) => {
  const group = drawn('g', {
    class: `spot-${mark.kind} fate-same`,
    transform: `translate(${mark.x} ${depth - mark.y})`,
  });
  group.append(...(SHAPES[mark.kind] ?? SHAPES.dent)(Math.max(1.6, mark.size / 2)));
  return group;
};

const change = (form, index, factor) => {
  const marks = read(form);
  if (factor) marks[index].size = Math.min(MOST_MM, Math.max(LEAST_MM, marks[index].size * factor));
  else marks.splice(index, 1);
  write(form, marks);
};

const stepButton = (form, mark, index, [label, factor, does]) => {
  const button = document.createElement('button');
  button.type = 'button';
  button.className = 'btn btn-line';
  button.textContent = label;
  button.setAttribute('aria-label', `${mark.kind} ${index + 1}: ${does}`);
  button.addEventListener('click', () => change(form, index, factor));
  return button;
};

const inList = (form, mark, index) => {
  const item = document.createElement('li');
  const words = document.createElement('span');
  words.textContent = `${mark.kind} ${mark.size.toFixed(1)} mm`;
  item.append(words, ...STEPS.map(step => stepButton(form, mark, index, step)));
  return item;
};

const draw = form => {
  const map = form.querySelector('[data-marking]');
  const list = form.querySelector('[data-mark-list]');
  const marks = read(form);
  map.querySelector('[data-marks]').replaceChildren(...marks.map(mark => onMap(mark, map.dataset.depth)));
  list.classList.add('editing');
  list.replaceChildren(...marks.map((mark, index) => inList(form, mark, index)));
};

document.addEventListener('click', event => {
  const map = event.target.closest?.('[data-marking]');
  if (!map) return;
  const at = pointOn(map, event);
  const form = map.closest('form');
  const kind = form.querySelector('[data-mark-kinds] input:checked').value;
  const size = kind === 'hole' ? LEAST_MM : 3;
  write(form, [...read(form), { kind, x: at.x, y: map.dataset.depth - at.y, size }]);
});

document.addEventListener('change', event => {
  if (event.target.matches?.('[data-mark-text]')) draw(event.target.form);
});

onContent(root => root.querySelectorAll('[data-marking]').forEach(map => draw(map.closest('form'))));
