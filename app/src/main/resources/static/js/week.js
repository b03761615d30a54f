// The week's lanes: a bar is dragged to another machine or time and stays there, fixed. Without a pointer the same is
// done on the job's page.
import { renewKey } from './connection.js';

const LEAST_PX = 6;
const QUARTER = 900;
let held = null;

const pointIn = (svg, event) => {
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
  return { x: at.x, y: at.y };
};

/** The machine's lane under a point; none over the bench. */
const laneAt = (svg, y) => {
  const lane = [...svg.querySelectorAll('[data-y]')].filter(one => +one.dataset.y <= y).pop();
  return lane?.dataset.lane ? lane : null;
};

const putBack = bar => {
  bar.removeAttribute('transform');
  bar.classList.remove('held');
};

/** The page comes back with the new plan; where nothing comes, the bar goes back and the usual sentence says why. */
const send = (form, bar) => {
  form.addEventListener('htmx:sendError', () => {
    putBack(bar);
    renewKey(form);
  }, { once: true });
  htmx.ajax('POST', `/jobs/${bar.dataset.job}/fix`, {
    source: form, values: Object.fromEntries(new FormData(form)), target: 'body', swap: 'outerHTML',
  }).catch(() => { /* the event above has said it */ });
};

const begin = event => {
  const bar = event.target.closest?.('[data-lanes] [data-job]');
  if (!bar || event.button !== 0) return;
  const svg = bar.ownerSVGElement;
  const rect = bar.querySelector('.print');
  held = { bar, svg, from: pointIn(svg, event), x: +rect.getAttribute('x'), moved: false };
};

const move = event => {
  if (!held) return;
  const at = pointIn(held.svg, event);
  const dx = at.x - held.from.x;
  const dy = at.y - held.from.y;
  if (!held.moved && Math.hypot(dx, dy) < LEAST_PX) return;
  held.moved = true;
  held.bar.classList.add('held');
  held.bar.setAttribute('transform', `translate(${dx} ${dy})`);
  event.preventDefault();
};

const drop = event => {
  if (!held) return;
  const { bar, svg, from, x, moved } = held;
  held = null;
  if (!moved) return;
  const at = pointIn(svg, event);
  const lanes = svg.closest('[data-lanes]');
  const hours = (x + at.x - from.x - 92) / +lanes.dataset.perHour;
  const seconds = +lanes.dataset.from + Math.max(0, hours * 3600);
  const form = document.querySelector('[data-lane-form]');
  const lane = laneAt(svg, at.y);
  if (!form || !lane) {
    putBack(bar);
    return;
  }
  form.elements.machine.value = lane.dataset.lane;
  form.elements.at.value = String(Math.round(seconds / QUARTER) * QUARTER);
  send(form, bar);
};

document.addEventListener('pointerdown', begin);
document.addEventListener('pointermove', move);
document.addEventListener('pointerup', drop);
document.addEventListener('pointercancel', () => {
  if (held) putBack(held.bar);
  held = null;
});
document.addEventListener('dragstart', event => {
  if (event.target.closest?.('[data-lanes]')) event.preventDefault();
});
// A bar that was dragged is not a link that was pressed.
document.addEventListener('click', event => {
  if (event.target.closest?.('[data-lanes] .held')) {
    event.preventDefault();
    event.stopPropagation();
  }
}, true);
