import { isOwnMachine } from './own-machine';

const HERE = { peer: '127.0.0.1', host: 'localhost:4240', site: 'none', forwarded: null };

describe('whether a request is of this very machine', () => {
  it.each([
    ['typed into its browser', {}],
    ['from one of its own pages', { site: 'same-origin' }],
    ['of an older browser that does not say', { site: null }],
    ['as its own server writes down who asks', { forwarded: '::ffff:127.0.0.1' }],
    ['by its number', { host: '127.0.0.1:4240' }],
    ['by the newer number', { peer: '::1', host: '[::1]:4240' }],
    ['by the older number in the newer', { peer: '::ffff:127.0.0.1' }],
  ])('is so: %s', (_, said) => {
    expect(isOwnMachine({ ...HERE, ...said })).toBe(true);
  });
  it.each([
    ['from another machine', { peer: '192.168.1.20' }],
    ['from nobody knows where', { peer: null }],
    ['by way of a proxy of its own', { forwarded: '203.0.113.9, 127.0.0.1' }],
    ['under another name that leads here', { host: 'rebound.example:4240' }],
    ['under a name that begins like this machine’s', { host: 'localhost.example' }],
    ['sent by another place’s page', { site: 'cross-site' }],
    ['under no name', { host: null }],
  ])('is not: %s', (_, said) => {
    expect(isOwnMachine({ ...HERE, ...said })).toBe(false);
  });
});
