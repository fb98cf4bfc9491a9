/** A fold between the bytes of one letter (RFC 5545 §3.1 folds octets); bytes are told as Latin-1 has them. */
const FOLD_IN_LETTER = /([\xC2-\xF4][\x80-\xBF]{0,2})(\r?\n[ \t])([\x80-\xBF]{1,3})/gu;

const asBytes = (text: string) => Uint8Array.from(text, (letter) => letter.charCodeAt(0));
/** Not by the platform's decoder, whose Latin-1 is Windows'. */
function asLatin1(bytes: Uint8Array): string {
  let text = '';
  for (let i = 0; i < bytes.length; i += 8_192) text += String.fromCharCode(...bytes.subarray(i, i + 8_192));
  return text;
}

function asUtf8(bytes: Uint8Array): string | null {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return null;
  }
}

/**
 * The text of a calendar's bytes. They are UTF-8 by RFC 5545; a fold may stand between the bytes of a letter, and programs write UTF-16
 * (told by its first bytes) and Windows' Latin letters as well. Lines stay where they are.
 *
 * @param cut whether only the beginning is given, which may end within a letter
 * @example decodedCalendar(new Uint8Array([0xff, 0xfe, 0x42, 0])) // 'B'
 */
export function decodedCalendar(bytes: Uint8Array, cut = false): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const whole = cut ? bytes.subarray(0, bytes.lastIndexOf(0x0a) + 1) : bytes;
  const text = asUtf8(whole);
  if (text !== null) return text;
  // The fold is put behind its letter, so that no line changes its number.
  const mended = asUtf8(asBytes(asLatin1(whole).replace(FOLD_IN_LETTER, '$1$3$2')));
  return mended ?? new TextDecoder('windows-1252').decode(whole);
}
