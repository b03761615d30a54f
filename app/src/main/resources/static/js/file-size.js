// A file that is too large is refused before it is sent.
const MB = 1024 * 1024;

document.addEventListener('change', event => {
  const file = event.target.matches?.('input[type=file][data-most-mb]') && event.target.files[0];
  if (!file) return;
  const most = Number(event.target.dataset.mostMb);
  const large = file.size > most * MB;
  event.target.setCustomValidity(
    large ? `This file has ${Math.round(file.size / MB)} MB; ${most} MB are the most.` : '');
  event.target.reportValidity();
});
