import { readFile } from 'node:fs/promises';
import { join } from 'node:path';

export const dynamic = 'force-dynamic';

/** The worker that keeps the program on a device; made after each build. */
export async function GET(): Promise<Response> {
  const script = await readFile(join(process.cwd(), '.next', 'offline-worker.js'), 'utf8').catch(
    () => undefined,
  );
  return script === undefined
    ? new Response('', { status: 404 })
    : new Response(script, {
        headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
      });
}
