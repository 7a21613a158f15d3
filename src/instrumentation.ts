/** On the server: ends open event streams when the process is asked to end, so that it can. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { hub } = await import('./server/live/hub');
  const close = () => void hub().close();
  process.once('SIGTERM', close);
  process.once('SIGINT', close);
}
