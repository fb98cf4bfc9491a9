import { standsTo } from './window';

const keep = (id: string, nth: number, after: string | null = null) => ({ id, nth, after });
const by = (id: string, nth: number, revision: number) => ({ id, nth, revision });

describe('a text that is kept', () => {
  it('follows what it was written on, whoever wrote that', () => {
    expect(standsTo({ revision: 3, by: by('phone', 9, 3) }, 3, keep('laptop', 1))).toBe('follows');
    expect(standsTo({ revision: 3, by: null }, 3, null)).toBe('follows');
  });
  it('is apart from what another window made of the draft meanwhile', () => {
    expect(standsTo({ revision: 4, by: by('phone', 1, 4) }, 3, keep('laptop', 7))).toBe('apart');
    expect(standsTo({ revision: 4, by: null }, 3, keep('laptop', 7))).toBe('apart');
    expect(standsTo({ revision: 4, by: by('phone', 1, 4) }, 3, null)).toBe('apart');
  });
  it('follows the earlier keep of its own page, which it was sent beside', () => {
    expect(standsTo({ revision: 4, by: by('laptop', 6, 4) }, 3, keep('laptop', 7))).toBe('follows');
  });
  it('never goes over a later text of its own page, even written on this revision', () => {
    expect(standsTo({ revision: 4, by: by('laptop', 8, 4) }, 3, keep('laptop', 7))).toBe('overtaken');
    expect(standsTo({ revision: 4, by: by('laptop', 7, 4) }, 4, keep('laptop', 7))).toBe('overtaken');
  });
  it('goes on with the words of a page that is gone, and not with those of any other', () => {
    expect(standsTo({ revision: 4, by: by('before', 6, 4) }, 3, keep('now', 1, 'before'))).toBe('follows');
    expect(standsTo({ revision: 5, by: by('phone', 1, 5) }, 3, keep('now', 1, 'before'))).toBe('apart');
  });
  it('does not trust the name of a page where the draft was kept without one since', () => {
    expect(standsTo({ revision: 5, by: by('laptop', 6, 4) }, 4, keep('laptop', 7))).toBe('apart');
  });
});
