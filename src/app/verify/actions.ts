'use server';

import { verifyReceipt } from '@/server/receipts/verify';
import type { VerifyState } from '@/ui/receipts/verify-form';
import { strangerDeps } from '../_request/session';

/** Verifies a receipt that was pasted or chosen; open to everybody, and nothing of it is kept. */
export async function verifyAction(before: VerifyState, form: FormData): Promise<VerifyState> {
  const file = form.get('file');
  const typed = String(form.get('text') ?? '');
  const text = file instanceof File && file.size > 0 ? await file.text() : typed;
  if (text.trim() === '') return { text: '', verified: null };
  const beside = form.get('keys');
  const keys = beside instanceof File && beside.size > 0 ? await beside.text() : '';
  const { db } = await strangerDeps();
  return { text: typed, verified: await verifyReceipt(db, text, keys) };
}
