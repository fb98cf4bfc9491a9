'use client';

import { useEffect, useId, useRef, useState } from 'react';
import Cropper, { type Area } from 'react-easy-crop';
import { changePictureAt } from '@/contract/addresses';
import { Avatar } from '../frame/avatar';
import { Trouble } from '../people/fields';

const SIDE = 512;
const NO_PICTURE =
  'That file is not a picture this browser can show. Nothing was changed: choose a JPEG or PNG.';

/** The part of a picture that was chosen, as a small picture; null where it cannot be drawn. */
async function cut(address: string, area: Area): Promise<Blob | null> {
  const picture = new Image();
  picture.src = address;
  await picture.decode();
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIDE;
  canvas.getContext('2d')?.drawImage(picture, area.x, area.y, area.width, area.height, 0, 0, SIDE, SIDE);
  return new Promise((resolve) => canvas.toBlob(resolve, 'image/png'));
}

/** One's picture: chosen, moved and made larger until the right part shows, and sent. */
export function PictureForm({ name, picture }: { name: string; picture: string | null }) {
  const [address, setAddress] = useState<string | null>(null);
  const [place, setPlace] = useState({ x: 0, y: 0 });
  const [zoom, setZoom] = useState(1);
  const [area, setArea] = useState<Area | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const form = useRef<HTMLFormElement>(null);
  const zooming = useId();
  useEffect(() => () => void (address && URL.revokeObjectURL(address)), [address]);

  const choose = (file: File | undefined) => {
    setTrouble(null);
    setPlace({ x: 0, y: 0 });
    setZoom(1);
    setAddress(file ? URL.createObjectURL(file) : null);
  };
  /** Puts the part that was chosen in the place of the whole, and sends the form as it stands. */
  const send = async () => {
    const input = form.current?.querySelector('input[type=file]');
    if (!address || !area || !(input instanceof HTMLInputElement)) return;
    const part = await cut(address, area).catch(() => null);
    if (!part) {
      setTrouble(NO_PICTURE);
      return;
    }
    const files = new DataTransfer();
    files.items.add(new File([part], 'picture.png', { type: 'image/png' }));
    input.files = files.files;
    form.current?.submit();
  };
  return (
    <div className="grid gap-3">
      <Trouble text={trouble} />
      <div className="flex flex-wrap items-center gap-3">
        <Avatar name={name} picture={picture} mine />
        <form
          ref={form}
          action={changePictureAt()}
          method="post"
          encType="multipart/form-data"
          className="flex flex-wrap items-center gap-2"
        >
          <label className="text-[13.5px] font-semibold">
            Your picture{' '}
            <input
              type="file"
              name="file"
              accept="image/*"
              className="max-w-full text-[13px] font-normal"
              onChange={(event) => choose(event.currentTarget.files?.[0])}
            />
          </label>
          <button type="submit" className="btn scripted:hidden">
            Send it
          </button>
        </form>
        {picture ? (
          <form action={changePictureAt()} method="post" encType="multipart/form-data">
            <button type="submit" name="do" value="away" className="btn">
              Without a picture
            </button>
          </form>
        ) : null}
      </div>
      {address ? (
        <div className="grid gap-2">
          <div className="relative h-[240px] overflow-hidden rounded-control bg-rule-soft">
            <Cropper
              image={address}
              crop={place}
              zoom={zoom}
              aspect={1}
              cropShape="round"
              onCropChange={setPlace}
              onZoomChange={setZoom}
              onCropComplete={(_, pixels) => setArea(pixels)}
              mediaProps={{ onError: () => setTrouble(NO_PICTURE) }}
              cropperProps={{ 'aria-label': 'The part that shows: arrow keys move it' }}
            />
          </div>
          <div className="flex flex-wrap items-center gap-3">
            <label htmlFor={zooming} className="text-[13.5px] font-semibold">
              Larger
            </label>
            <input
              id={zooming}
              type="range"
              min={1}
              max={4}
              step={0.05}
              value={zoom}
              onChange={(event) => setZoom(Number(event.currentTarget.value))}
              className="grow accent-(--pine)"
            />
            <button type="button" className="btn go" onClick={() => void send()}>
              Keep this part
            </button>
          </div>
        </div>
      ) : null}
    </div>
  );
}
