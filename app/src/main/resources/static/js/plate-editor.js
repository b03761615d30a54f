// Footprints on a plate: drawn and moved by pointer or by keys. The text is what is sent: a line a footprint,
// "x y length width turn", mm from the front left.
import { chorded, drawn, onContent, pointOn } from './page.js';
import { corners, inside, LEAST_MM, spanned } from './footprint.js';

const editorOf = part => part.closest('[data-plate-editor]');
const mapOf = editor => editor.querySelector('[data-plate]');
const textOf = editor => editor.querySelector('[data-plate-text]');
const plate = map => ({ length: +map.dataset.length, width: +map.dataset.width });
const plain = n => String(Math.round(n * 10) / 10);

const read = editor => textOf(editor).value.split('\n')
  .map(line => line.trim().split(/\s+/).map(Number))
  .filter(numbers => numbers.length >= 4 && numbers.every(Number.isFinite))
  .map(([x, y, l, w, turn = 0]) => ({ x, y, l, w, turn }));

const asLine = p => [p.x, p.y, p.l, p.w].map(plain).join(' ') + (p.turn ? ' ' + p.turn : '');

const write = (editor, places, chosen) => {
  textOf(editor).value = places.map(asLine).join('\n');
  editor.chosen = chosen;
  const own = editor.querySelector('[data-own]');
  if (own) {
    own.closest('.choice').hidden = false;
    own.checked = true;
  }
  draw(editor);
};

const onMap = (place, index, editor, size) => {
  const group = drawn('g', { class: 'place' + (index === editor.chosen ? ' chosen' : '') });
  group.dataset.index = index;
  const words = drawn('text', { x: place.x, y: size.width - place.y + size.length / 130, 'text-anchor': 'middle' });
  words.textContent = `${Math.round(place.l)} × ${Math.round(place.w)}`;
  const points = corners(place).map(([x, y]) => `${x},${size.width - y}`).join(' ');
  group.append(drawn('polygon', { points }), words);
  return group;
};

const draw = editor => {
  const map = mapOf(editor);
  if (!map) return;
  map.querySelector('[data-places]')
    .replaceChildren(...read(editor).map((place, index) => onMap(place, index, editor, plate(map))));
};

/** Changes the chosen footprint; a change to nothing takes it away. */
const change = (editor, by) => {
  const places = read(editor);
  const at = Math.min(editor.chosen ?? places.length - 1, places.length - 1);
  if (at < 0) return;
  const changed = by(places[at]);
  if (changed) places[at] = inside(plate(mapOf(editor)), changed);
  else places.splice(at, 1);
  write(editor, places, changed ? at : Math.max(0, at - 1));
};

const DOINGS = {
  next: editor => {
    const count = read(editor).length;
    editor.chosen = count ? ((editor.chosen ?? -1) + 1) % count : undefined;
    draw(editor);
  },
  turn: editor => change(editor, p => ({ ...p, turn: (p.turn + 45) % 180 })),
  away: editor => change(editor, () => null),
};

document.addEventListener('click', event => {
  const tool = event.target.closest?.('[data-plate-tools] [data-do]');
  if (tool) DOINGS[tool.dataset.do](editorOf(tool));
  const preset = event.target.closest?.('[data-plate-presets] [data-lines]');
  if (!preset) return;
  const editor = editorOf(preset);
  textOf(editor).value = preset.dataset.lines;
  editor.chosen = 0;
  draw(editor);
});

document.addEventListener('input', event => {
  if (event.target.matches?.('[data-plate-editor] [name=footprint]')) {
    const best = editorOf(event.target).querySelector('[name=place][value=BEST]');
    if (best) best.checked = true;
  }
  if (event.target.matches?.('[data-plate-text]')) draw(editorOf(event.target));
});

/** Follows the pointer from where it went down until it goes up. */
const follow = (map, event, moved) => {
  const done = () => {
    map.removeEventListener('pointermove', moved);
    map.removeEventListener('pointerup', done);
    map.removeEventListener('pointercancel', done);
  };
  map.setPointerCapture(event.pointerId);
  map.addEventListener('pointermove', moved);
  map.addEventListener('pointerup', done);
  map.addEventListener('pointercancel', done);
};

document.addEventListener('pointerdown', event => {
  const map = event.target.closest?.('[data-plate]');
  if (!map) return;
  const editor = editorOf(map);
  const size = plate(map);
  const at = e => {
    const point = pointOn(map, e);
    return { x: point.x, y: size.width - point.y };
  };
  const from = at(event);
  const hit = event.target.closest('.place');
  const places = read(editor);
  const index = hit ? +hit.dataset.index : places.length;
  const before = places[index];
  if (hit) {
    editor.chosen = index;
    draw(editor);
  }
  follow(map, event, e => {
    const to = at(e);
    const next = before ? { ...before, x: before.x + to.x - from.x, y: before.y + to.y - from.y } : spanned(from, to);
    if (!before && (next.l < LEAST_MM || next.w < LEAST_MM)) return;
    write(editor, [...places.slice(0, index), inside(size, next), ...places.slice(index + 1)], index);
  });
  map.focus({ preventScroll: true });
  event.preventDefault();
});

document.addEventListener('keydown', event => {
  const map = event.target.matches?.('[data-plate]') && event.target;
  if (!map || chorded(event)) return;
  const editor = editorOf(map);
  const step = event.shiftKey ? 10 : 1;
  const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
  const does = { n: 'next', r: 'turn', Delete: 'away', Backspace: 'away' }[event.key];
  if (!by && !does) return;
  if (by) change(editor, p => ({ ...p, x: p.x + by[0], y: p.y + by[1] }));
  else DOINGS[does](editor);
  event.preventDefault();
  event.stopImmediatePropagation();
}, true);

onContent(root => root.querySelectorAll('[data-plate-editor]').forEach(editor => {
  editor.querySelectorAll('[data-plate-presets], [data-plate-help], [data-plate-tools]')
    .forEach(part => { part.hidden = false; });
  draw(editor);
}));
