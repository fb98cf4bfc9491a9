/** Runs once, when a web process begins and before its first request. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { begin } = await import('./runtime/begin');
  begin();
}
