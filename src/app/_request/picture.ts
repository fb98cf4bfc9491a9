import 'server-only';

/** A picture that was drawn here: its address changes with it, so a browser may keep it. */
export const pictureAnswer = (
  picture: { sum: string; content: ReadableStream<Uint8Array> } | null,
  whose: 'private' | 'public',
): Response =>
  picture
    ? new Response(picture.content, {
        headers: {
          'content-type': 'image/webp',
          'cache-control': `${whose}, max-age=86400`,
          'content-security-policy': "default-src 'none'; sandbox",
          etag: `"${picture.sum}"`,
        },
      })
    : new Response('There is no picture here.\n', { status: 404 });
