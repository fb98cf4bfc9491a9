import { notFound } from 'next/navigation';
import { app } from '@/runtime/app';

/** The bench's yardstick: a server-rendered page with one query, and nothing else. */
export default async function BarePage() {
  const { config, db } = app();
  if (!config.bench) notFound();
  const { rows } = await db.raw('select count(*)::int as n from people');
  return <main>{rows[0].n} people</main>;
}

export const dynamic = 'force-dynamic';
