/** Runs once, when a web process begins and before its first request. */
export async function register() {
  // Written so that what is built for other runtimes holds none of it.
  if (process.env.NEXT_RUNTIME === 'nodejs') {
    const { begin } = await import('./runtime/begin');
    begin();
  }
}
