// The pages of what to do at once are kept on the device, as far as it lets us: a service worker needs HTTPS or this
// machine itself; elsewhere the browser keeps them for a day because they were fetched.
const ADDRESS = '/emergency/';

if ('serviceWorker' in navigator) {
  navigator.serviceWorker.register(`${ADDRESS}worker.js`, { scope: ADDRESS }).catch(() => {});
}

export const emergency = () => { location.href = ADDRESS; };
