import { conversationAt, discussionsAt, noteAt, roomAt } from './addresses';
import { addressOf } from './endpoint';

describe('an address', () => {
  it('has its names filled in, written as an address writes them', () => {
    expect(noteAt('wells & ponds', 'n/1')).toBe('/readings/wells%20%26%20ponds/notes/n%2F1');
    expect(addressOf('/discussions/:slug/posts/:post', { slug: 'geo-1', post: 7 })).toBe(
      '/discussions/geo-1/posts/7',
    );
  });
  it('says what is asked beside, and nothing of what is not', () => {
    expect(conversationAt('geo-1', { post: 7, show: null, of: undefined })).toBe(
      '/discussions/geo-1/conversation?post=7',
    );
    expect(discussionsAt({ course: 'a&b' })).toBe('/discussions?course=a%26b');
    expect(discussionsAt({})).toBe('/discussions');
  });
  it('of a room is that room’s', () => {
    expect(roomAt('geo-1', 'part')).toBe('/discussions/geo-1/part');
  });
});
