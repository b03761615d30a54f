// Spots on a photograph: a tap, or Space, takes one back and puts it in again.
const tickOf = spot => document.querySelector(`[data-spot-tick="${spot.dataset.spot}"]`);

const showSpots = () => document.querySelectorAll('[data-spot]').forEach(spot => {
  const on = tickOf(spot)?.checked ?? true;
  spot.setAttribute('aria-checked', on);
  spot.classList.toggle('off', !on);
});

const turn = spot => {
  const tick = tickOf(spot);
  if (!tick) return;
  tick.checked = !tick.checked;
  showSpots();
};

document.addEventListener('click', event => {
  const spot = event.target.closest?.('[data-spot]');
  if (spot) turn(spot);
});

document.addEventListener('keydown', event => {
  const spot = (event.key === ' ' || event.key === 'Enter') && event.target.closest?.('[data-spot]');
  if (!spot) return;
  event.preventDefault();
  turn(spot);
});

document.addEventListener('change', event => {
  if (event.target.matches?.('[data-spot-tick]')) showSpots();
});
