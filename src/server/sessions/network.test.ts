import { clientAddress, networkOf } from './network';

describe('the network a try is counted by', () => {
  it('is an IPv4 address, or of IPv6 what one household has to itself', () => {
    expect(networkOf('192.0.2.7')).toBe('192.0.2.7');
    expect(networkOf('::ffff:192.0.2.7')).toBe('192.0.2.7');
    expect(networkOf('2001:db8:1:2:3:4:5:6')).toBe(networkOf('2001:db8:1:2::9'));
    expect(networkOf('no address')).toBeNull();
  });
  it('is never what a client says of itself', () => {
    expect(clientAddress('192.0.2.7', '1.2.3.4', 0)).toBe('192.0.2.7');
    expect(clientAddress('10.0.0.1', '6.6.6.6, 192.0.2.7', 1)).toBe('192.0.2.7');
    expect(clientAddress('10.0.0.1', null, 1)).toBe('10.0.0.1');
  });
});
