import { boxOf } from './box';

const box = boxOf(Buffer.alloc(32, 7));

describe('what is sealed', () => {
  it('is opened by the same secret, as the same kind, for the same person', () => {
    const sealed = box.seal('second factor', 'imani', 'JBSWY3DPEHPK3PXP');
    expect(box.open('second factor', 'imani', sealed)).toBe('JBSWY3DPEHPK3PXP');
    expect(sealed.toString('latin1')).not.toContain('JBSWY3DPEHPK3PXP');
    expect(box.open('signing key', 'imani', sealed)).toBeNull();
    expect(box.open('second factor', 'noor', sealed)).toBeNull();
    expect(boxOf(Buffer.alloc(32, 8)).open('second factor', 'imani', sealed)).toBeNull();
  });
  it('is not opened where a byte of it is another, or where there is nothing', () => {
    const sealed = box.seal('signing key', 'k', '{"d":"x"}');
    for (let at = 0; at < sealed.length; at += 1) {
      const changed = Buffer.from(sealed);
      changed[at] = (changed[at] ?? 0) ^ 1;
      expect(box.open('signing key', 'k', changed)).toBeNull();
    }
    expect(box.open('signing key', 'k', Buffer.alloc(0))).toBeNull();
    expect(box.open('signing key', 'k', sealed.subarray(0, 20))).toBeNull();
  });
  it('is another each time', () => {
    expect(box.seal('signing key', 'k', 'x')).not.toEqual(box.seal('signing key', 'k', 'x'));
  });
  it('needs a whole secret', () => {
    expect(() => boxOf(Buffer.alloc(16))).toThrow('needs 32');
  });
});
