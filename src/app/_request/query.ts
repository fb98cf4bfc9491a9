import { storable } from '@/core/document/document';

/** What an address asks, each thing once: said twice, the first counts; and nothing that no database can look for. */
export async function queryOf<T extends object>(searchParams: Promise<T>): Promise<T> {
  const asked = Object.entries((await searchParams) as Record<string, string | string[] | undefined>);
  return Object.fromEntries(
    asked.flatMap(([name, said]) => {
      const first = Array.isArray(said) ? said[0] : said;
      return first === undefined ? [] : [[name, storable(first)]];
    }),
  ) as T;
}
