import { pastedAddress, siteOf } from './address';

describe('the address of a pasted text', () => {
  it.each([
    ['https://media.example/watch/7', 'https://media.example/watch/7'],
    ['  https://media.example/watch/7\n', 'https://media.example/watch/7'],
    ['<iframe src="https://media.example/p/7?a=1&amp;b=2"></iframe>', 'https://media.example/p/7?a=1&b=2'],
    ["<iframe width=560 src='//media.example/p/7'></iframe>", 'https://media.example/p/7'],
    ['<div><iframe src=https://media.example/p/7 ></iframe></div>', 'https://media.example/p/7'],
    [
      '<blockquote class="x"><p>Hm</p><a href="https://media.example/s/1">A</a></blockquote><script src="https://e.example/x.js"></script>',
      'https://media.example/s/1',
    ],
  ])('is read from %s', (text, address) => {
    expect(pastedAddress(text)).toBe(address);
  });
  it.each([
    'See https://media.example/watch/7 for it',
    'https://media.example/a https://media.example/b',
    'media.example/watch/7',
    '<iframe src="javascript:alert(1)"></iframe>',
    '<iframe src="data:text/html,x"></iframe>',
    '<iframe srcdoc="<script>1</script>"></iframe>',
    '<script src="https://e.example/x.js"></script>',
    '<p>Only a paragraph</p>',
    'javascript:alert(1)',
    '',
  ])('is none in %s', (text) => {
    expect(pastedAddress(text)).toBeNull();
  });
});

describe('the site of an address', () => {
  const sites = [{ name: 'Tidewell Media', hosts: ['media.tidewell.example'] }];
  it('is found by its host and the hosts below it', () => {
    expect(siteOf('https://media.tidewell.example/watch/1', sites)?.name).toBe('Tidewell Media');
    expect(siteOf('http://eu.media.tidewell.example:8080/', sites)?.name).toBe('Tidewell Media');
  });
  it.each([
    'https://media.tidewell.example.evil.example/watch/1',
    'https://evilmedia.tidewell.example.x/',
    'https://notmedia.tidewell.example/',
    'https://media.tidewell.example@evil.example/',
    'https://evil.example/?https://media.tidewell.example/',
    'ftp://media.tidewell.example/x',
    'media.tidewell.example',
  ])('is not %s', (address) => {
    expect(siteOf(address, sites)).toBeNull();
  });
});
