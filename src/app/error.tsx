'use client';

import { Trouble } from '@/ui/frame/trouble';

export default function ErrorPage({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  return <Trouble id={error.digest ?? null} again={reset} />;
}
