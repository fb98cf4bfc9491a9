import ipaddr from 'ipaddr.js';

const isLoopback = (address: string) =>
  ipaddr.isValid(address) && ipaddr.process(address).range() === 'loopback';

/**
 * Whether a request comes from this very machine and was meant for it: the other end is loopback, whoever a proxy speaks for is too, the name it was sent to is this
 * machine's own (another name may lead here as well, as whoever owns it likes), and no page of another place sent it.
 */
export function isOwnMachine(from: {
  peer: string | null;
  host: string | null;
  site: string | null;
  forwarded: string | null;
}): boolean {
  const host = (from.host ?? '').replace(/:\d+$/u, '').replace(/^\[|\]$/gu, '');
  return (
    isLoopback(from.peer ?? '') &&
    (from.forwarded ?? '').split(',').every((a) => a.trim() === '' || isLoopback(a.trim())) &&
    (host === 'localhost' || isLoopback(host)) &&
    from.site !== 'cross-site' &&
    from.site !== 'same-site'
  );
}
