import { SMTPServer } from 'smtp-server';
import type { Result } from '@/core/result';
import { MOST_MAIL_BYTES, REFUSALS, type NotTaken } from './take';

/** How many letter-carriers are let in at once. */
const MOST_CLIENTS = 8;
const WAITS_MS = 60_000;

type Taking = {
  isTaken: (to: string) => boolean;
  take: (to: string, bytes: Uint8Array) => Promise<Result<null, NotTaken>>;
};

const refusal = (words: string, code: number) => Object.assign(new Error(words), { responseCode: code });

/**
 * Takes mail by SMTP (RFC 5321) on this machine alone, from the college's own mail server. What is not taken is refused with a sentence, before it is
 * said to be here: the server that hands it over tells its sender, and we write to nobody who may not have written.
 */
export function mailServer({ isTaken, take }: Taking): SMTPServer {
  return new SMTPServer({
    name: 'pulpit',
    disabledCommands: ['AUTH', 'STARTTLS'],
    size: MOST_MAIL_BYTES,
    maxClients: MOST_CLIENTS,
    socketTimeout: WAITS_MS,
    closeTimeout: 2_000,
    disableReverseLookup: true,
    hideSize: false,
    onRcptTo: (address, session, done) => {
      if (session.envelope.rcptTo.length > 0) return done(refusal('One address at a time.', 452));
      return isTaken(address.address) ? done() : done(refusal(REFUSALS['no-such-address'], 550));
    },
    onData: (stream, session, done) => {
      const pieces: Buffer[] = [];
      let bytes = 0;
      stream.on('data', (piece: Buffer) => {
        bytes += piece.length;
        if (bytes <= MOST_MAIL_BYTES) pieces.push(piece);
      });
      stream.on('error', done);
      stream.on('end', () => {
        if (stream.sizeExceeded || bytes > MOST_MAIL_BYTES)
          return done(refusal('This mail is too large: at most 15 MB. Nothing was kept.', 552));
        const to = session.envelope.rcptTo[0]?.address ?? '';
        take(to, Buffer.concat(pieces)).then(
          (taken) => (taken.ok ? done() : done(refusal(REFUSALS[taken.failure.code], 550))),
          // Something that nobody foresaw: the other side keeps it and tries again.
          () => done(refusal('Not just now: try again.', 451)),
        );
      });
    },
  });
}
