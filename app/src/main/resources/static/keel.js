// Keys, side sheet, drafts, quick line, guides, a dropped connection, the size of a file. Every page works without this.
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

  // ---- what is waited for: counts down to its moment, then says so
  const countDown = () => document.querySelectorAll('[data-until]').forEach(shown => {
    const left = Math.ceil((shown.dataset.until - Date.now()) / 1000);
    const two = n => String(n).padStart(2, '0');
    shown.textContent = left <= 0 ? 'time is up' : left < 3600 ? Math.floor(left / 60) + ':' + two(left % 60) : Math.floor(left / 3600) + ' h ' + two(Math.floor(left / 60) % 60);
    if (left <= 0 && !shown.classList.contains('over')) { shown.classList.add('over'); if (left > -3) navigator.vibrate?.([200, 100, 200]); }
  });
  countDown();
  setInterval(countDown, 1000);

  // ---- marks on the map of a film: a tap adds one, the list makes it larger, smaller or takes it away; the text is what is sent
  const SVG = 'http://www.w3.org/2000/svg';
  const readMarks = text => text.value.split('\n').map(l => l.trim().split(/\s+/)).filter(w => w.length === 4)
    .map(([kind, x, y, size]) => ({ kind: kind.toLowerCase(), x: +x, y: +y, size: +size }));
  const writeMarks = (form, marks) => {
    form.querySelector('[data-mark-text]').value = marks.map(m => `${m.kind} ${m.x.toFixed(1)} ${m.y.toFixed(1)} ${m.size.toFixed(1)}`).join('\n');
    drawMarks(form);
  };
  const drawMarks = form => {
    const map = form.querySelector('[data-marking]');
    const marks = readMarks(form.querySelector('[data-mark-text]'));
    const group = map.querySelector('[data-marks]');
    group.replaceChildren(...marks.map(m => {
      const g = document.createElementNS(SVG, 'g');
      g.setAttribute('class', `spot-${m.kind} fate-same`);
      g.setAttribute('transform', `translate(${m.x} ${map.dataset.depth - m.y})`);
      const r = Math.max(1.6, m.size / 2);
      const add = (name, attributes, type) => { const e = document.createElementNS(SVG, name); for (const [k, v] of Object.entries(attributes)) e.setAttribute(k, v); if (type) e.setAttribute('class', type); g.append(e); };
      if (m.kind === 'scratch') add('path', { d: `M${-r} ${r * .4}L${r} ${-r * .4}` });
      else if (m.kind === 'haze') add('rect', { x: -r, y: -r * .7, width: 2 * r, height: 1.4 * r });
      else if (m.kind === 'hole') { add('circle', { r: r + 1.2 }); add('circle', { r: r * .5 + .4 }, 'through'); }
      else { add('circle', { r }); add('circle', { r: r * .45 }, 'dimple'); }
      return g;
    }));
    const list = form.querySelector('[data-mark-list]');
    list.classList.add('editing');
    list.replaceChildren(...marks.map((m, i) => {
      const li = document.createElement('li');
      const words = document.createElement('span');
      words.textContent = `${m.kind} ${m.size.toFixed(1)} mm`;
      li.append(words, ...[['−', 1 / 1.5, 'smaller'], ['+', 1.5, 'larger'], ['gone', 0, 'take away']].map(([label, by, name]) => {
        const b = document.createElement('button');
        b.type = 'button';
        b.className = 'btn btn-line';
        b.textContent = label;
        b.setAttribute('aria-label', `${m.kind} ${i + 1}: ${name}`);
        b.addEventListener('click', () => {
          const now = readMarks(form.querySelector('[data-mark-text]'));
          if (by) now[i].size = Math.min(300, Math.max(.5, now[i].size * by)); else now.splice(i, 1);
          writeMarks(form, now);
        });
        return b;
      }));
      return li;
    }));
  };
  document.addEventListener('click', e => {
    const map = e.target.closest?.('[data-marking]');
    if (!map) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(map.getScreenCTM().inverse());
    const form = map.closest('form');
    const kind = form.querySelector('[data-mark-kinds] input:checked').value;
    writeMarks(form, [...readMarks(form.querySelector('[data-mark-text]')), { kind, x: at.x, y: map.dataset.depth - at.y, size: kind === 'hole' ? .5 : 3 }]);
  });
  document.addEventListener('change', e => { if (e.target.matches?.('[data-mark-text]')) drawMarks(e.target.form); });

  // ---- footprints on a plate: drawn and moved by pointer or by keys; the text is what is sent
  const readPlaces = editor => editor.querySelector('[data-plate-text]').value.split('\n').map(l => l.trim().split(/\s+/).map(Number))
    .filter(n => n.length >= 4 && n.every(Number.isFinite)).map(([x, y, l, w, turn = 0]) => ({ x, y, l, w, turn }));
  const plain = n => String(Math.round(n * 10) / 10);
  const writePlaces = (editor, places, chosen) => {
    editor.querySelector('[data-plate-text]').value = places.map(p => [p.x, p.y, p.l, p.w].map(plain).join(' ') + (p.turn ? ' ' + p.turn : '')).join('\n');
    editor.chosen = chosen;
    const own = editor.querySelector('[data-own]');
    if (own) { own.closest('.choice').hidden = false; own.checked = true; }
    drawPlaces(editor);
  };
  const half = p => {
    const cos = Math.abs(Math.cos(p.turn * Math.PI / 180)), sin = Math.abs(Math.sin(p.turn * Math.PI / 180));
    return { x: (p.l * cos + p.w * sin) / 2, y: (p.l * sin + p.w * cos) / 2 };
  };
  const inside = (map, p) => {
    const h = half(p);
    const clamp = (v, r, most) => 2 * r > most ? most / 2 : Math.min(most - r, Math.max(r, v));
    return { ...p, x: clamp(p.x, h.x, +map.dataset.length), y: clamp(p.y, h.y, +map.dataset.width) };
  };
  const drawPlaces = editor => {
    const map = editor.querySelector('[data-plate]');
    if (!map) return;
    const places = readPlaces(editor);
    map.querySelector('[data-places]').replaceChildren(...places.map((p, i) => {
      const g = document.createElementNS(SVG, 'g');
      g.setAttribute('class', 'place' + (i === editor.chosen ? ' chosen' : ''));
      g.dataset.index = i;
      const cos = Math.cos(p.turn * Math.PI / 180), sin = Math.sin(p.turn * Math.PI / 180);
      const corner = (a, b) => `${p.x + a * p.l / 2 * cos - b * p.w / 2 * sin},${map.dataset.width - (p.y + a * p.l / 2 * sin + b * p.w / 2 * cos)}`;
      const outline = document.createElementNS(SVG, 'polygon');
      outline.setAttribute('points', [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)].join(' '));
      const words = document.createElementNS(SVG, 'text');
      words.setAttribute('x', p.x);
      words.setAttribute('y', map.dataset.width - p.y + map.dataset.length / 130);
      words.setAttribute('text-anchor', 'middle');
      words.textContent = `${Math.round(p.l)} × ${Math.round(p.w)}`;
      g.append(outline, words);
      return g;
    }));
  };
  const change = (editor, by) => {
    const places = readPlaces(editor);
    const at = Math.min(editor.chosen ?? places.length - 1, places.length - 1);
    if (at < 0) return;
    const changed = by(places[at]);
    if (changed) places[at] = inside(editor.querySelector('[data-plate]'), changed); else places.splice(at, 1);
    writePlaces(editor, places, changed ? at : Math.max(0, at - 1));
  };
  const doings = {
    next: editor => { const n = readPlaces(editor).length; editor.chosen = n ? ((editor.chosen ?? -1) + 1) % n : undefined; drawPlaces(editor); },
    turn: editor => change(editor, p => ({ ...p, turn: (p.turn + 45) % 180 })),
    away: editor => change(editor, () => null),
  };
  document.addEventListener('click', e => {
    const tool = e.target.closest?.('[data-plate-tools] [data-do]');
    if (tool) doings[tool.dataset.do](tool.closest('[data-plate-editor]'));
    const preset = e.target.closest?.('[data-plate-presets] [data-lines]');
    if (preset) { const editor = preset.closest('[data-plate-editor]'); editor.querySelector('[data-plate-text]').value = preset.dataset.lines; editor.chosen = 0; drawPlaces(editor); }
  });
  document.addEventListener('input', e => {
    const best = e.target.matches?.('[data-plate-editor] [name=footprint]') && e.target.closest('[data-plate-editor]').querySelector('[name=place][value=BEST]');
    if (best) best.checked = true;
  });
  document.addEventListener('input', e => { if (e.target.matches?.('[data-plate-text]')) drawPlaces(e.target.closest('[data-plate-editor]')); });
  document.addEventListener('pointerdown', e => {
    const map = e.target.closest?.('[data-plate]');
    if (!map) return;
    const editor = map.closest('[data-plate-editor]');
    const at = event => { const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(map.getScreenCTM().inverse()); return { x: p.x, y: map.dataset.width - p.y }; };
    const from = at(e);
    const hit = e.target.closest('.place');
    const places = readPlaces(editor);
    const index = hit ? +hit.dataset.index : places.length;
    const before = places[index];
    const moved = event => {
      const to = at(event);
      const next = before ? inside(map, { ...before, x: before.x + to.x - from.x, y: before.y + to.y - from.y })
        : { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2, l: Math.abs(to.x - from.x), w: Math.abs(to.y - from.y), turn: 0 };
      if (before || next.l >= 3 && next.w >= 3) writePlaces(editor, [...places.slice(0, index), before ? next : inside(map, next), ...places.slice(index + 1)], index);
    };
    const done = () => { map.removeEventListener('pointermove', moved); map.removeEventListener('pointerup', done); map.removeEventListener('pointercancel', done); };
    if (hit) { editor.chosen = index; drawPlaces(editor); }
    map.setPointerCapture(e.pointerId);
    map.addEventListener('pointermove', moved);
    map.addEventListener('pointerup', done);
    map.addEventListener('pointercancel', done);
    map.focus({ preventScroll: true });
    e.preventDefault();
  });
  document.addEventListener('keydown', e => {
    const map = e.target.matches?.('[data-plate]') && e.target;
    if (!map || e.ctrlKey || e.metaKey || e.altKey) return;
    const editor = map.closest('[data-plate-editor]');
    const step = e.shiftKey ? 10 : 1;
    const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[e.key];
    const does = { n: 'next', r: 'turn', Delete: 'away', Backspace: 'away' }[e.key];
    if (by) change(editor, p => ({ ...p, x: p.x + by[0], y: p.y + by[1] })); else if (does) doings[does](editor); else return;
    e.preventDefault();
    e.stopImmediatePropagation();
  }, true);

  // ---- a recording of taps: raw samples of the microphone, written as WAV into the file field, so that the form is the same with or without a microphone
  const canRecord = !!navigator.mediaDevices?.getUserMedia && 'AudioContext' in window && 'DataTransfer' in window;
  const RECORD_S = 4;
  const wav = (samples, rate) => {
    const view = new DataView(new ArrayBuffer(44 + 2 * samples.length));
    const text = (at, words) => [...words].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
    text(0, 'RIFF'); view.setUint32(4, 36 + 2 * samples.length, true); text(8, 'WAVEfmt ');
    view.setUint32(16, 16, true); view.setUint16(20, 1, true); view.setUint16(22, 1, true);
    view.setUint32(24, rate, true); view.setUint32(28, 2 * rate, true); view.setUint16(32, 2, true); view.setUint16(34, 16, true);
    text(36, 'data'); view.setUint32(40, 2 * samples.length, true);
    samples.forEach((s, i) => view.setInt16(44 + 2 * i, Math.max(-1, Math.min(1, s)) * 32767, true));
    return new Blob([view], { type: 'audio/wav' });
  };
  document.addEventListener('click', async e => {
    const button = e.target.closest('[data-record-start]');
    if (!button || button.disabled) return;
    const box = button.closest('[data-record]');
    button.disabled = true;
    let stream, audio;
    try {
      // what makes speech clearer would bend the tone
      stream = await navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 } });
      audio = new AudioContext();
      const source = audio.createMediaStreamSource(stream);
      const tap = audio.createScriptProcessor(4096, 1, 1);
      const pieces = [];
      let count = 0;
      const wanted = RECORD_S * audio.sampleRate;
      await new Promise(done => {
        tap.onaudioprocess = event => {
          if (count >= wanted) return;
          const piece = event.inputBuffer.getChannelData(0).slice();
          pieces.push(piece);
          count += piece.length;
          button.textContent = `Tap now, ${Math.max(0, Math.ceil((wanted - count) / audio.sampleRate))} s`;
          if (count >= wanted) done();
        };
        source.connect(tap);
        tap.connect(audio.destination);
      });
      const samples = new Float32Array(count);
      pieces.reduce((at, piece) => (samples.set(piece, at), at + piece.length), 0);
      const carried = new DataTransfer();
      carried.items.add(new File([wav(samples, Math.round(audio.sampleRate))], box.dataset.record + '.wav', { type: 'audio/wav' }));
      box.querySelector('input[type=file]').files = carried.files;
      box.classList.add('heard');
      button.textContent = 'Recorded; record again';
    } catch (problem) {
      button.textContent = 'Record 4 s';
      banner('The microphone cannot be used: ' + problem.message + '. Choose a WAV file instead; nothing is lost.');
    } finally {
      stream?.getTracks().forEach(t => t.stop());
      audio?.close();
      button.disabled = false;
    }
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
    e.target.setCustomValidity(large ? `This file has ${Math.round(file.size / 1048576)} MB; ${most} MB are the most.` : '');
    e.target.reportValidity();
  });

  // ---- looks that are due are asked for every minute, while somebody is about: a forgotten tablet must not stay signed in
  const WATCHED_MS = 11 * 3600e3;
  let touched = Date.now();
  for (const kind of ['pointerdown', 'keydown']) document.addEventListener(kind, () => { touched = Date.now(); }, true);
  setInterval(() => { if (!document.hidden && Date.now() - touched < WATCHED_MS) $('looks')?.dispatchEvent(new CustomEvent('keel:minute')); }, 60e3);

  // what depends on this device, in a page or in a part that was swapped in
  const equip = root => {
    root.querySelectorAll('[data-plate-editor]').forEach(editor => {
      editor.querySelectorAll('[data-plate-presets], [data-plate-help], [data-plate-tools]').forEach(part => { part.hidden = false; });
      drawPlaces(editor);
    });
    root.querySelectorAll('[data-marking]').forEach(map => drawMarks(map.closest('form')));
    if (canRecord) {
      root.querySelectorAll('[data-record-start]').forEach(b => { b.hidden = false; });
      root.querySelectorAll('[data-no-microphone]').forEach(p => { p.hidden = true; });
    }
  };

  const ready = () => {
    inSheet = null;
    drafts(document);
    if (canScan) document.querySelectorAll('[data-scan]').forEach(b => { b.hidden = false; });
  };
  document.addEventListener('htmx:load', e => { equip(document); if (e.target === document.body || e.detail.elt === document.body) ready(); });
  if (document.readyState === 'loading') document.addEventListener('DOMContentLoaded', ready); else ready();

  // ---- stopwatch: t or its button starts and stops; what was timed goes to the field that is marked
  let since = 0, ticking = 0;
  const marked = () => document.querySelector('.reading.marked [data-watch]');
  const mark = input => document.querySelectorAll('[data-watch]').forEach(i => i.closest('.reading').classList.toggle('marked', i === input));
  const toggleWatch = () => {
    const watch = document.querySelector('[data-stopwatch]');
    const shown = watch.querySelector('output');
    const words = watch.querySelector('button').firstChild;
    if (!since) {
      since = performance.now();
      words.textContent = 'Stop ';
      ticking = setInterval(() => { shown.textContent = ((performance.now() - since) / 1000).toFixed(1) + ' s'; }, 90);
      return;
    }
    const seconds = ((performance.now() - since) / 1000).toFixed(2);
    clearInterval(ticking);
    since = 0;
    shown.textContent = seconds + ' s';
    words.textContent = 'Start ';
    const into = marked();
    into.value = (into.value.trim() + ' ' + seconds).trim();
    into.dispatchEvent(new Event('input', { bubbles: true }));
  };
  const stopwatch = () => {
    const watch = document.querySelector('[data-stopwatch]');
    const first = document.querySelector('[data-watch]');
    if (!watch || !first || !watch.hidden) return;
    clearInterval(ticking);
    since = 0;
    watch.hidden = false;
    mark(first);
    watch.querySelector('button').addEventListener('click', toggleWatch);
  };
  document.addEventListener('focusin', e => { if (e.target.matches?.('[data-watch]')) mark(e.target); });
  document.addEventListener('keydown', e => {
    if (e.key === 't' && !e.ctrlKey && !e.metaKey && !e.altKey && marked() && (!typing(e) || e.target.matches('[data-watch]')) && Date.now() - wentG > 1500) { e.preventDefault(); toggleWatch(); }
  });

  // ---- spots on a photograph: a tap, or Space, takes one back and puts it in again
  const spotTick = g => document.querySelector(`[data-spot-tick="${g.dataset.spot}"]`);
  const showSpots = () => document.querySelectorAll('[data-spot]').forEach(g => {
    const on = spotTick(g)?.checked ?? true;
    g.setAttribute('aria-checked', on);
    g.classList.toggle('off', !on);
  });
  const turnSpot = g => { const box = spotTick(g); if (box) { box.checked = !box.checked; showSpots(); } };
  document.addEventListener('click', e => { const g = e.target.closest?.('[data-spot]'); if (g) turnSpot(g); });
  document.addEventListener('keydown', e => {
    const g = (e.key === ' ' || e.key === 'Enter') && e.target.closest?.('[data-spot]');
    if (g) { e.preventDefault(); turnSpot(g); }
  });
  document.addEventListener('change', e => { if (e.target.matches?.('[data-spot-tick]')) showSpots(); });

  document.addEventListener('htmx:load', stopwatch);
  stopwatch();
})();
