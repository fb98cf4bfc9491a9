import { z } from 'zod';
import type { CartridgeReport } from './desk';

const names = z.array(z.string().max(300)).max(200);
const reportSchema = z.object({
  weeks: z.number().int().min(0),
  prompts: z.number().int().min(0),
  readings: z.number().int().min(0),
  files: z.number().int().min(0),
  left: names,
  attributes: names,
});

/** So many names fit in an address; the rest is counted. */
const MOST_NAMES = 25;
const NAME = 70;

const some = (all: readonly string[]): string[] =>
  all.length > MOST_NAMES
    ? [...all.slice(0, MOST_NAMES).map((n) => n.slice(0, NAME)), `and ${all.length - MOST_NAMES} more`]
    : all.map((n) => n.slice(0, NAME));

/** What was taken in, as it stands in the address of the page that says it. */
export const reportText = (report: CartridgeReport): string =>
  JSON.stringify({ ...report, left: some(report.left), attributes: some(report.attributes) });

/** The same out of an address; null where somebody wrote something else there. */
export function reportIn(text: string): CartridgeReport | null {
  try {
    return reportSchema.parse(JSON.parse(text));
  } catch {
    return null;
  }
}
