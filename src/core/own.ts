/**
 * What a table says of a name that somebody else chose: nothing of what every object has, such as "constructor".
 *
 * @example own({ saved: 'Saved.' }, 'constructor') // undefined
 */
export const own = <T>(table: Readonly<Record<string, T>>, name: string | null | undefined): T | undefined =>
  name !== null && name !== undefined && Object.hasOwn(table, name) ? table[name] : undefined;
