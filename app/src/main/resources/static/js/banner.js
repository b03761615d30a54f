// One sentence at the top of the page, in its flow so that it covers no button, about what went wrong with the device
// or the network.
export const banner = text => {
  document.querySelector('.offline')?.remove();
  if (!text) return;
  const said = document.createElement('p');
  said.className = 'offline';
  said.setAttribute('role', 'alert');
  said.textContent = text;
  (document.querySelector('.topline') ?? document.body.firstElementChild).after(said);
};
