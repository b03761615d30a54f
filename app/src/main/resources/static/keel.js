// Keys, a dropped connection, and the size of a photo before it is sent. Every page works without this.
(() => {
  const typing = e => e.target.closest('input, textarea, select, [contenteditable]');
  let wentG = 0;

  document.addEventListener('keydown', e => {
    if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === '?') { document.getElementById('keys')?.showModal(); return; }
    if (e.key === 'g') { wentG = Date.now(); return; }
    if (Date.now() - wentG < 1500) {
      wentG = 0;
      document.querySelector(`.spine a[data-key="${CSS.escape(e.key)}"]`)?.click();
    }
  });

  const banner = text => {
    document.querySelector('.offline')?.remove();
    if (!text) return;
    const b = document.createElement('p');
    b.className = 'offline';
    b.setAttribute('role', 'alert');
    b.textContent = text;
    document.body.append(b);
  };
  document.addEventListener('htmx:sendError', () => banner('No connection: nothing was sent. What you typed is still here; try again when the network is back.'));
  document.addEventListener('htmx:afterRequest', e => { if (e.detail.successful) banner(null); });

  document.addEventListener('change', e => {
    const file = e.target.matches?.('input[type=file][data-most-mb]') && e.target.files[0];
    if (!file) return;
    const most = Number(e.target.dataset.mostMb);
    const large = file.size > most * 1024 * 1024;
    e.target.setCustomValidity(large ? `This photo has ${Math.round(file.size / 1048576)} MB; ${most} MB are the most.` : '');
    e.target.reportValidity();
  });
})();
