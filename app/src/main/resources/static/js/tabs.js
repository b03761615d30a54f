// On a narrow screen the tabs of a machine run beyond its edge: the one that is shown is brought into sight.
const show = () =>
  document.querySelector('.about [aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });

show();
document.addEventListener('htmx:afterSettle', show);
