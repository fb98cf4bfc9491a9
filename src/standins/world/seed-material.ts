import { instant, type Instant, type PersonId } from '@/core/ids';
import { addRecording } from '@/server/courses/recordings';
import type { Actor, Deps } from '@/server/deps';
import { addNote } from '@/server/notes/notes';
import { estimate } from '@/server/rubric/rubric';
import { NOTES } from './notes';
import { ESTIMATES } from './rubrics';

const HOUR_MS = 3_600_000;

/** A generated tone of a few seconds in place of a voice: a WAV file of 8 kHz, 8 bit (RIFF). */
function tone(seconds: number): Buffer {
  const rate = 8_000;
  const samples = Buffer.alloc(rate * seconds, 128);
  for (let i = 0; i < samples.length; i += 1) {
    const t = i / rate;
    const swell = Math.sin((Math.PI * (t % 1)) / 1);
    samples[i] = 128 + Math.round(40 * swell * Math.sin(2 * Math.PI * (220 + 40 * Math.floor(t)) * t));
  }
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + samples.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rate, 24);
  head.writeUInt32LE(rate, 28);
  head.writeUInt16LE(1, 32);
  head.writeUInt16LE(8, 34);
  head.write('data', 36);
  head.writeUInt32LE(samples.length, 40);
  return Buffer.concat([head, samples]);
}

type People = { actor: (name: string) => Actor; person: (name: string) => PersonId };

/** What some thought of their own texts: before those are shared. */
export async function addEstimates(db: Deps['db'], now: Instant, { actor }: People) {
  for (const e of ESTIMATES) {
    const kept = await estimate({ db, now }, actor(e.person), e.discussion, e.levels);
    if (!kept.ok) throw new Error(`${e.discussion}: an estimate was refused: ${kept.failure.code}`);
  }
}

/** Margin notes and a recording. */
export async function addMaterial(db: Deps['db'], now: Instant, { actor }: People) {
  for (const n of NOTES) {
    const at = { db, now: instant(now - n.hoursAgo * HOUR_MS) };
    const input = { audience: n.audience, start: null, end: null };
    const note = await addNote(at, actor(n.author), n.reading, {
      ...input,
      body: n.body,
      words: n.words,
      parent: null,
    });
    if (!note.ok) throw new Error(`${n.reading}: a note was refused: ${note.failure.code}`);
    for (const a of n.answers ?? []) {
      const when = { db, now: instant(now - a.hoursAgo * HOUR_MS) };
      await addNote(when, actor(a.author), n.reading, {
        ...input,
        body: a.body,
        words: '',
        parent: note.value.id,
      });
    }
  }
  const of = { kind: 'reading', slug: 'geo-room-for-the-river' } as const;
  const sound = { bytes: tone(6), cut: false };
  const recorded = await addRecording({ db, now }, actor('Dr. Maren Holt'), of, sound);
  if (!recorded.ok) throw new Error(`a recording was refused: ${recorded.failure.code}`);
}
