import Papa from 'papaparse';
import type { MarksTable } from '@/contract/marks';

/**
 * The table of marks as comma-separated values (RFC 4180), with a line of names above. What a spreadsheet would take for a formula is
 * kept from being one.
 */
export function tableFile({ scheme, rows }: MarksTable): string {
  const criteria = scheme.by === 'rubric' ? scheme.rubric.criteria.map((c) => c.title) : [];
  const inPoints = scheme.by === 'rubric' || scheme.by === 'points';
  const fields = [
    'Id',
    'Name',
    'Address',
    ...criteria,
    ...(inPoints ? ['Before the late rule', 'Late rule', 'Points', 'Of'] : []),
    ...(scheme.by === 'verdict' ? ['Verdict'] : []),
    'State',
    'Keeping',
  ];
  const data = rows.map((r) => [
    r.id,
    r.name,
    r.email ?? '',
    ...r.levels.map((n) => n ?? ''),
    ...(inPoints ? [r.earned ?? '', r.points === null ? '' : -r.taken || 0, r.points ?? '', scheme.of] : []),
    ...(scheme.by === 'verdict' ? [r.verdict ?? ''] : []),
    r.state,
    r.revision,
  ]);
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}
