// One sentence at the foot of the page about what went wrong with the device or the network.
export const banner = text => {
  document.querySelector('.offline')?.remove();
  if (!text) return;
  const said = document.createElement('p');
  said.className = 'offline';
  said.setAttribute('role', 'alert');
  said.textContent = text;
  document.body.append(said);
};
