// One more, one fewer beside a number, within what the field allows; an empty field begins at none.
import { onContent } from './page.js';

const step = (box, by) => {
  const field = box.querySelector('input');
  const most = field.max === '' ? Infinity : +field.max;
  field.value = Math.min(most, Math.max(+field.min, (+field.value || 0) + by));
  field.dispatchEvent(new Event('change', { bubbles: true }));
};

onContent(root => {
  for (const box of root.querySelectorAll('[data-stepper]:not([data-ready])')) {
    box.dataset.ready = '';
    for (const button of box.querySelectorAll('[data-step]')) {
      button.addEventListener('click', () => step(box, +button.dataset.step));
    }
  }
});
