/** "1 reply", "3 replies" */
export const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** "a", "a and b", "a, b and c" */
export function list(items: string[], last = 'and'): string {
  if (items.length < 2) return items.join('');
  return `${items.slice(0, -1).join(', ')} ${last} ${items[items.length - 1]}`;
}

/** The first name a person goes by. */
const firstName = (name: string) => name.split(' ').filter((w) => !/^(Dr|Prof)\.$/u.test(w))[0] ?? name;

/** Staff are addressed in full, and who has left without a name; classmates by first name. */
export const calledName = (name: string) =>
  /^(?:(?:Dr|Prof)\. |A former )/u.test(name) ? name : firstName(name);

export const initials = (name: string) => {
  const words = name.split(' ').filter((w) => !/^(Dr|Prof)\.$/u.test(w));
  return `${words[0]?.[0] ?? ''}${words.length > 1 ? (words[words.length - 1]?.[0] ?? '') : ''}`;
};

/** The same with its first letter large. @example capitalised('one person') // 'One person' */
export const capitalised = (text: string): string => `${(text[0] ?? '').toUpperCase()}${text.slice(1)}`;
