/*
 * Part of the worker that stands between page and network: shows what the house tells while no page is open. A press
 * on it leads to where it is about.
 */

self.addEventListener('push', (event) => {
  const { title, body, url, tag } = event.data.json();
  // The same thing is shown once: what is told of it again takes its place.
  const options = { body, tag, icon: '/icon-192.png', requireInteraction: true, data: { url } };
  event.waitUntil(self.registration.showNotification(title, options));
});

self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const { pathname } = new URL(event.notification.data.url);
  const show = async () => {
    const [open] = await self.clients.matchAll({ type: 'window' });
    if (!open) return self.clients.openWindow(pathname);
    await open.focus();
    return open.navigate(pathname);
  };
  event.waitUntil(show());
});
