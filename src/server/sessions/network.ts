import ipaddr from 'ipaddr.js';

/**
 * The network an address is of, as tries are counted by: an IPv4 address itself, of IPv6 the first 64 bits, which one household or
 * one machine has to itself. Null for what is no address.
 */
export function networkOf(address: string): string | null {
  if (!ipaddr.isValid(address)) return null;
  const parsed = ipaddr.process(address);
  if (parsed.kind() === 'ipv4') return parsed.toString();
  return `${(parsed as ipaddr.IPv6).parts
    .slice(0, 4)
    .map((part) => part.toString(16))
    .join(':')}::/64`;
}

/**
 * The address a request came from: the other end of the connection, or behind so many proxies of one's own what the outermost of
 * them wrote. What a client writes into the header itself stands further left, and is not looked at.
 *
 * @param peer the other end of the connection
 * @param forwarded the header X-Forwarded-For
 * @param proxies how many of one's own stand before this server
 */
export function clientAddress(peer: string, forwarded: string | null, proxies: number): string {
  if (proxies === 0) return peer;
  const hops = (forwarded ?? '').split(',').map((hop) => hop.trim());
  return hops[hops.length - proxies] || peer;
}
