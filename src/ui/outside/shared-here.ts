/** A text that was brought, with its form where that came along. */
export type Pasted = { text: string; html: string };

const SHARED = 'pulpit-shared-1';

/** What another application of this device shared to Pulpit, which its worker kept for the page that asks what it is; it is given once. */
export async function takeShared(): Promise<{ pasted: Pasted; files: File[] } | null> {
  if (!new URLSearchParams(location.search).has('shared') || !('caches' in window)) return null;
  if (!(await caches.has(SHARED))) return null;
  const cache = await caches.open(SHARED);
  const text = await (await cache.match('/text'))?.text();
  const files: File[] = [];
  for (const request of await cache.keys()) {
    if (!new URL(request.url).pathname.startsWith('/file/')) continue;
    const kept = await cache.match(request);
    if (!kept) continue;
    const name = decodeURIComponent(kept.headers.get('x-name') ?? 'shared');
    files.push(new File([await kept.blob()], name, { type: kept.headers.get('content-type') ?? '' }));
  }
  await caches.delete(SHARED);
  return { pasted: { text: text ?? '', html: '' }, files };
}
