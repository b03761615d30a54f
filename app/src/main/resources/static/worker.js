// Keeps on the device how things look and the pages that were read last, so that they can be read without a network.
// What is written goes its own way: waiting.js keeps it until it can be sent.
const LOOKS = 'looks';
const PAGES = 'pages';
const MOST_PAGES = 120;
const NO_NETWORK = '/static/no-network.html';
const OF_A_MACHINE = 'bench|plate|history|profiles|screen|uv|guides/[a-z-]+';
const PLACES = 'fleet|round|week|runs|failures|stores|bench|logbook|guides/read|help(/[a-z-]+)?';
const KEPT = new RegExp(`^/(${PLACES}|machines/[a-z0-9-]+(/(${OF_A_MACHINE}))?|vats/[A-Za-z0-9-]+)$`);

const pathOf = request => new URL(request.url).pathname;
const isLook = path => path.startsWith('/static/') || path.startsWith('/webjars/');

/** A whole page, not a piece of one that htmx asks for. */
const isPage = request =>
  KEPT.test(pathOf(request)) && (!request.headers.has('HX-Request') || request.headers.has('HX-Boosted'));

const trim = async cache => {
  const all = await cache.keys();
  await Promise.all(all.slice(0, Math.max(0, all.length - MOST_PAGES)).map(old => cache.delete(old)));
};

/** Keeps a page that answered as itself: a sign-in that stood before it is none. */
const keepPage = async (address, response) => {
  const html = (response.headers.get('Content-Type') ?? '').startsWith('text/html');
  if (response.status !== 200 || !html || response.redirected || response.headers.has('Keel-Door')) return;
  const cache = await caches.open(PAGES);
  await cache.delete(address);
  await cache.put(address, response);
  await trim(cache);
};

/** What a page that was kept says under its header: of when it is, in the shop's own time. */
const asOf = html => {
  const at = Number(/ data-now="(\d+)"/.exec(html)?.[1]);
  const timeZone = / data-zone="([^"]+)"/.exec(html)?.[1];
  const when = new Date(at).toLocaleString('en-GB', { timeZone, weekday: 'short', hour: '2-digit', minute: '2-digit' });
  return `<p id="kept" role="status">No network. This is how it was at ${when}.</p>`;
};

/** The page as it was. That it is no longer fresh stands in it, so that it goes with it when the next one comes. */
const kept = async address => {
  const page = await (await caches.open(PAGES)).match(address, { ignoreVary: true });
  if (!page) return null;
  const html = await page.text();
  return new Response(html.replace('</header>', '</header>' + asOf(html)), {
    headers: { 'Content-Type': 'text/html;charset=UTF-8' },
  });
};

const page = async event => {
  try {
    const fresh = await fetch(event.request);
    event.waitUntil(keepPage(event.request.url, fresh.clone()));
    return fresh;
  } catch (gone) {
    return await kept(event.request.url) ?? await (await caches.open(LOOKS)).match(NO_NETWORK) ?? Response.error();
  }
};

const look = async event => {
  const cache = await caches.open(LOOKS);
  try {
    const fresh = await fetch(event.request);
    if (fresh.ok) event.waitUntil(cache.put(event.request.url, fresh.clone()));
    return fresh;
  } catch (gone) {
    return await cache.match(event.request.url) ?? Response.error();
  }
};

const keepAll = async (name, addresses, put) => {
  const cache = await caches.open(name);
  for (const address of addresses) {
    const known = name === LOOKS && await cache.match(address);
    const fresh = known ? null : await fetch(address).catch(() => null);
    if (fresh?.ok) await put(cache, new URL(address, self.location).href, fresh);
  }
};

self.addEventListener('install', event => {
  self.skipWaiting();
  event.waitUntil(caches.open(LOOKS).then(cache => cache.add(NO_NETWORK)));
});

self.addEventListener('activate', event => event.waitUntil(self.clients.claim()));

self.addEventListener('fetch', event => {
  if (event.request.method !== 'GET' || !event.request.url.startsWith(self.location.origin)) return;
  if (isLook(pathOf(event.request))) event.respondWith(look(event));
  else if (isPage(event.request)) event.respondWith(page(event));
  else if (event.request.mode === 'navigate') {
    event.respondWith(fetch(event.request).catch(async () =>
      await (await caches.open(LOOKS)).match(NO_NETWORK) ?? Response.error()));
  }
});

self.addEventListener('message', event => {
  const { looks = [], pages = [], forget = false } = event.data;
  event.waitUntil(Promise.all([
    forget ? caches.delete(PAGES) : null,
    keepAll(LOOKS, looks, (cache, address, fresh) => cache.put(address, fresh)),
    keepAll(PAGES, pages, (cache, address, fresh) => keepPage(address, fresh)),
  ]));
});
