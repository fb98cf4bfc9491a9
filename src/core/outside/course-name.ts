/** What a course is called beneath its code when only one name was given. */
const NAMELESS = 'outside course';
const LONGEST_CODE = 18;
const CODE = /^(\p{L}{2,6}[\s-]?\d{2,4}\p{L}?)(?![\p{L}\p{N}])[\s:–—,-]*/u;

/**
 * A course's code and title out of the one name that a student types.
 *
 * @example courseNamed('BIO 210 Cell Biology') // { code: 'BIO 210', title: 'Cell Biology' }
 */
export function courseNamed(name: string): { code: string; title: string } {
  const whole = name.replace(/\s+/gu, ' ').trim();
  const code = CODE.exec(whole);
  if (code?.[1]) return { code: code[1], title: whole.slice(code[0].length) || NAMELESS };
  if (whole.length <= LONGEST_CODE) return { code: whole, title: NAMELESS };
  const short = whole.slice(0, LONGEST_CODE).replace(/\s+\S*$/u, '');
  return { code: short, title: whole };
}

/**
 * The one name again, as it is typed into the form.
 * @example typedName({ code: 'GEO 115', title: 'Rivers' }) // 'GEO 115 Rivers'
 */
export const typedName = ({ code, title }: { code: string; title: string }) =>
  title === NAMELESS ? code : title.startsWith(code) ? title : `${code} ${title}`;
