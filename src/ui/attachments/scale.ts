const LONGEST_SIDE = 1_600;
const SMALL_BYTES = 1_500_000;
/** Scaling would take the movement out of one and the lines out of the other; the server says what it makes of them. */
const LEFT_ALONE = new Set(['image/gif', 'image/svg+xml']);

/** How many pixels a picture has, upright; null for what the browser cannot draw. */
async function sizeOf(picture: Blob): Promise<{ width: number; height: number } | null> {
  const address = URL.createObjectURL(picture);
  try {
    return await new Promise((resolve) => {
      const image = new Image();
      image.onload = () => resolve({ width: image.naturalWidth, height: image.naturalHeight });
      image.onerror = () => resolve(null);
      image.src = address;
    });
  } finally {
    URL.revokeObjectURL(address);
  }
}

/**
 * A picture small enough to be sent: at most 1600 pixels a side. It is decoded and scaled off the thread that draws. What is
 * small already, and what the browser cannot read, goes as it is.
 */
export async function scaled(picture: Blob): Promise<Blob> {
  if (!picture.type.startsWith('image/') || LEFT_ALONE.has(picture.type)) return picture;
  const size = await sizeOf(picture);
  if (!size) return picture;
  const longest = Math.max(size.width, size.height);
  if (longest <= LONGEST_SIDE && picture.size <= SMALL_BYTES) return picture;
  const share = Math.min(1, LONGEST_SIDE / longest);
  const width = Math.max(1, Math.round(size.width * share));
  const height = Math.max(1, Math.round(size.height * share));
  const bitmap = await createImageBitmap(picture, {
    resizeWidth: width,
    resizeHeight: height,
    resizeQuality: 'high',
    imageOrientation: 'from-image',
  });
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = height;
  // Drawn and not handed over: a turned picture that is handed over loses its turn.
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
  bitmap.close();
  const small = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/webp', 0.9));
  return small && small.size < picture.size ? small : picture;
}
