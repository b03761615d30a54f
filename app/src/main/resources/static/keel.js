// Keys, side sheet, drafts, quick line, guides, a dropped connection, the size of a photo. Every page works without this.
(() => {
  const $ = id => document.getElementById(id);
  const typing = e => e.target.closest?.('input:not([type=radio]):not([type=checkbox]), textarea, select, [contenteditable]');
  let wentG = 0;

  // ---- keys
  document.addEventListener('keydown', e => {
    if (e.key === 'Escape' && $('quick-answer')?.contains(document.activeElement) || e.key === 'Escape' && document.activeElement?.id === 'quick-line') {
      clearQuick();
      document.activeElement.blur();
      return;
    }
    if (typing(e) || e.ctrlKey || e.metaKey || e.altKey) return;
    if (document.querySelector('dialog[open]') && e.key !== 'Escape') return;
    if (e.key === '?') { $('keys')?.showModal(); return; }
    if (e.key === '/') { e.preventDefault(); $('quick-line')?.focus(); return; }
    if (guideKey(e) || answerKey(e)) return;
    if (e.key === 'g') { wentG = Date.now(); return; }
    if (Date.now() - wentG < 1500) {
      wentG = 0;
      document.querySelector(`.spine a[data-key="${CSS.escape(e.key)}"]`)?.click();
      return;
    }
    if (e.key === 'n') { document.querySelector('[data-n]')?.click(); }
  });

  // Space, Backspace and n in a guide press its buttons, unless a button or link has the focus and means to be pressed itself.
  const guideKey = e => {
    const guide = document.querySelector('[data-guide]');
    if (!guide || e.key === ' ' && e.target.closest('button, a, summary, input[type=checkbox], input[type=radio]:not(:checked)')) return false;
    const press = { ' ': '[data-done]', Backspace: '[data-back]', n: '[data-note]' }[e.key];
    const button = press && guide.querySelector(press);
    if (!button) return false;
    e.preventDefault();
    if (button.matches('details')) { button.open = true; button.querySelector('textarea, input:not([type=hidden])')?.focus(); } else button.click();
    return true;
  };

  // A number key gives the answer that stands behind it.
  const answerKey = e => {
    const button = /^[0-9]$/.test(e.key) && document.querySelector(`[data-answers] [data-key="${e.key}"]`);
    if (button) button.click();
    return !!button;
  };

  // ---- side sheet: a page's own content, slid in over the page one is on
  document.addEventListener('click', e => {
    const opens = e.target.closest('a[data-sheet]');
    if (opens && !e.ctrlKey && !e.metaKey && !e.shiftKey && window.innerWidth > 760 && $('sheet')) {
      e.preventDefault();
      e.stopPropagation();
      openSheet(opens.getAttribute('href'));
    }
    const shows = e.target.closest('[data-show]');
    if (shows) $(shows.dataset.show)?.showModal();
    const closes = e.target.closest('[data-close]');
    if (closes) $(closes.dataset.close)?.close();
    const line = e.target.closest('[data-line]');
    if (line) { $('quick-line').value = line.dataset.line; $('quick-line').focus(); htmx.trigger('#quick-line', 'input'); }
    if (e.target.closest('[data-print]')) window.print();
    if (e.target.closest('[data-scan]')) scan();
  }, true);

  let inSheet = null;
  const openSheet = url => {
    const sheet = $('sheet');
    if (inSheet === url && $('sheet-body').childElementCount) { sheet.showModal(); return; }
    htmx.ajax('GET', url, { target: '#sheet-body', select: '#main > *', swap: 'innerHTML' }).then(() => {
      inSheet = url;
      drafts($('sheet-body'));
      if (!sheet.open) sheet.showModal();
      $('sheet-body').querySelector('input:not([type=hidden]), button, a')?.focus();
    });
  };

  // ---- drafts: what was typed into a form marked so is kept in this tab until it is sent
  const key = form => 'draft ' + form.dataset.draft;
  const drafts = root => root.querySelectorAll('form[data-draft]').forEach(form => {
    const kept = sessionStorage.getItem(key(form));
    if (!kept || form.querySelector('[aria-invalid]')) return;
    const values = new Map(JSON.parse(kept));
    for (const field of form.elements) {
      if (!field.name || field.type === 'hidden' || field.type === 'file') continue;
      const all = values.get(field.name);
      if (field.type === 'checkbox' || field.type === 'radio') { if (all) field.checked = all.includes(field.value); }
      else if (all && !field.value) field.value = all[0];
    }
  });
  document.addEventListener('input', e => {
    const form = e.target.form;
    if (!form?.dataset.draft) return;
    const values = new Map();
    for (const [name, value] of new FormData(form)) if (typeof value === 'string') values.set(name, [...values.get(name) ?? [], value]);
    sessionStorage.setItem(key(form), JSON.stringify([...values]));
  });
  document.addEventListener('htmx:beforeSwap', e => {
    const form = e.detail.requestConfig?.elt?.closest?.('form[data-draft]');
    if (form && e.detail.xhr.status < 400) { sessionStorage.removeItem(key(form)); inSheet = null; }
  });

  // ---- quick line
  const clearQuick = () => { if ($('quick-line')) $('quick-line').value = ''; if ($('quick-answer')) $('quick-answer').innerHTML = ''; };
  let countdown = 0;
  document.addEventListener('quick-done', () => {
    $('quick-line').value = '';
    htmx.ajax('GET', location.pathname + location.search, { target: '#main', select: '#main', swap: 'outerHTML' });
    clearInterval(countdown);
    let left = 60;
    countdown = setInterval(() => {
      const shown = document.querySelector('[data-countdown]');
      left -= 1;
      if (!shown || left <= 0) { clearInterval(countdown); if (shown) $('quick-answer').innerHTML = ''; return; }
      shown.textContent = left + ' s';
    }, 1000);
  });

  // ---- camera, where the device can read codes by itself
  const canScan = 'BarcodeDetector' in window && !!navigator.mediaDevices?.getUserMedia;
  const scan = async () => {
    const video = document.createElement('video');
    const box = document.createElement('dialog');
    box.className = 'keys';
    box.append(video);
    document.body.append(box);
    const detector = new BarcodeDetector({ formats: ['qr_code'] });
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } });
      video.srcObject = stream;
      video.setAttribute('playsinline', '');
      box.showModal();
      box.addEventListener('close', () => { stream.getTracks().forEach(t => t.stop()); box.remove(); });
      await video.play();
      while (box.open) {
        const found = await detector.detect(video);
        if (found.length) {
          box.close();
          $('quick-line').value = found[0].rawValue;
          $('quick-line').focus();
          htmx.trigger('#quick-line', 'input');
        }
        await new Promise(next => setTimeout(next, 150));
      }
    } catch (e) {
      box.remove();
      banner('The camera cannot be used: ' + e.message + '. Type the code that stands under the label.');
    }
  };

  // ---- a timer at a step
  document.addEventListener('click', e => {
    const button = e.target.closest('[data-timer]');
    if (!button || button.dataset.ends) return;
    button.dataset.ends = Date.now() + Number(button.dataset.timer) * 1000;
    const shown = button.querySelector('.figure');
    const tick = setInterval(() => {
      const left = Math.ceil((button.dataset.ends - Date.now()) / 1000);
      if (!button.isConnected) { clearInterval(tick); return; }
      shown.textContent = left > 0 ? Math.floor(left / 60) + ':' + String(left % 60).padStart(2, '0') : 'Time';
      if (left <= 0) { clearInterval(tick); button.classList.add('over'); navigator.vibrate?.([200, 100, 200]); }
    }, 250);
  });

  // ---- connection
  const banner = text => {
    document.querySelector('.offline')?.remove();
    if (!text) return;
    const b = document.createElement('p');
    b.className = 'offline';
    b.setAttribute('role', 'alert');
    b.textContent = text;
    document.body.append(b);
  };
  document.addEventListener('htmx:sendError', e => e.detail.elt.id !== 'looks' && banner('No connection: nothing was sent. What you typed is still here; try again when the network is back.'));
  document.addEventListener('htmx:afterRequest', e => { if (e.detail.successful) banner(null); });

  document.addEventListener('change', e => {
    const file = e.target.matches?.('input[type=file][data-most-mb]') && e.target.files[0];
    if (!file) return;
    const most = Number(e.target.dataset.mostMb);
    const large = file.size > most * 1024 * 1024;
    e.target.setCustomValidity(large ? `This photo has ${Math.round(file.size / 1048576)} MB; ${most} MB are the most.` : '');
    e.target.reportValidity();
  });

  // ---- looks that are due are asked for every minute, while somebody is about: a forgotten tablet must not stay signed in
  const WATCHED_MS = 11 * 3600e3;
  let touched = Date.now();
  for (const kind of ['pointerdown', 'keydown']) document.addEventListener(kind, () => { touched = Date.now(); }, true);
  setInterval(() => { if (!document.hidden && Date.now() - touched < WATCHED_MS) $('looks')?.dispatchEvent(new CustomEvent('keel:minute')); }, 60e3);

  const ready = () => {
    inSheet = null;
    drafts(document);
    if (canScan) document.querySelectorAll('[data-scan]').forEach(b => { b.hidden = false; });
  };
  document.addEventListener('htmx:load', e => { if (e.target === document.body || e.detail.elt === document.body) ready(); });
  if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', ready); else ready();
})();
