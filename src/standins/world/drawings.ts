import sharp from 'sharp';
import type { CourseId } from '@/core/ids';
import type { Picture } from '@/core/document/nodes';
import type { Actor, Deps } from '@/server/deps';
import type { FileStore } from '@/server/files/store';
import { receiveWhole } from '@/server/files/receive';

type Drawing = { name: string; svg: string; alt: string; caption: string };

const WIDTH = 960;
const HEIGHT = 520;
const sheet = (inside: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}" viewBox="0 0 ${WIDTH} ${HEIGHT}"><rect width="${WIDTH}" height="${HEIGHT}" fill="#f6f1e3"/>${inside}</svg>`;
const pen = (d: string, stroke = '#2d2a24', width = 5) =>
  `<path d="${d}" fill="none" stroke="${stroke}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round"/>`;
const wash = (d: string, fill: string) => `<path d="${d}" fill="${fill}"/>`;

/** A sign seen from above: a short bar across its post. */
const signAt = (x: number, y: number, color: string) =>
  pen(`M${x - 26} ${y} H${x + 26}`, color, 14) + pen(`M${x} ${y + 4} V${y + 26}`, color, 6);

/** What posts of the demo show, drawn for it, by discussion and who shared it. */
const DRAWINGS: Readonly<Record<string, Drawing>> = {
  'pla-204-w6 Pilar Ostrom': {
    name: 'farm shop, two signs.png',
    alt: 'A sketch from above: a road, a lane that leaves it to the left, one sign well before the lane and one just past it.',
    caption: 'From above, driving to the right. Red: my uncle’s sign. Green: the one that looks after it.',
    svg: sheet(
      wash('M0 300 H960 V400 H0 Z', '#cfc8b6') +
        wash('M500 300 Q508 180 470 40 H560 Q600 180 596 300 Z', '#cfc8b6') +
        pen('M0 300 H500 Q508 180 470 40') +
        pen('M560 40 Q600 180 596 300 H960') +
        pen('M0 400 H960') +
        pen(
          'M30 350 H110 M170 350 H250 M310 350 H390 M450 350 H530 M590 350 H670 M730 350 H810 M870 350 H940',
          '#fdfcf7',
          6,
        ) +
        wash('M430 40 L520 -10 L610 40 V60 H430 Z', '#9a5b3c') +
        signAt(690, 250, '#b3372b') +
        signAt(190, 250, '#2f7a57') +
        pen('M700 330 Q780 318 800 350 Q806 384 740 380 L760 368 M740 380 L762 394', '#6b6557', 4),
    ),
  },
  'pla-204-w6 Teodora Lind': {
    name: 'diversion with its date.png',
    alt: 'A sketch of a yellow sign with an arrow to the right; a white plate with a date is hung under it.',
    caption: 'The plate is all that is new. In July it would be a joke, and somebody would have to laugh.',
    svg: sheet(
      wash('M0 430 H960 V520 H0 Z', '#d8d2c0') +
        pen('M480 330 V470', '#57544a', 16) +
        wash('M250 90 H710 V270 H250 Z', '#e9b93b') +
        pen('M250 90 H710 V270 H250 Z', '#2d2a24', 7) +
        pen('M330 180 H610 M560 132 L618 180 L560 228', '#2d2a24', 20) +
        wash('M350 284 H610 V352 H350 Z', '#fdfcf7') +
        pen('M350 284 H610 V352 H350 Z', '#2d2a24', 5) +
        pen(
          'M378 318 Q392 300 404 318 T430 318 T456 318 M482 302 L494 296 V338 M528 300 V322 H552 M546 300 V340',
          '#2d2a24',
          5,
        ) +
        pen('M120 470 Q160 420 210 470 M760 470 Q812 410 868 470', '#5f7f52', 6),
    ),
  },
};

/** The picture of a post, as a block of its text; null where it shows none, or there is no place for files. */
export async function drawingIn(
  deps: { db: Deps['db']; now: Deps['now']; files: FileStore | null },
  author: Actor,
  course: CourseId,
  discussion: string,
): Promise<Picture | null> {
  const { files } = deps;
  const drawing = DRAWINGS[`${discussion} ${author.name}`];
  if (!drawing || !files) return null;
  const bytes = await sharp(Buffer.from(drawing.svg)).png().toBuffer();
  const taken = await receiveWhole({ ...deps, files }, author, course, drawing.name, bytes);
  if (!taken.ok) throw new Error(`${drawing.name} was refused: ${taken.failure.code}`);
  const { alt, caption } = drawing;
  return {
    type: 'picture',
    attrs: { file: taken.value.id, width: WIDTH, height: HEIGHT, alt, caption, size: 80, place: 'center' },
  };
}
