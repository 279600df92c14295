import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { notFound } from '../_door';
import { database, jobById, refused, unitById, written, type Written } from '@/data';
import { INSTRUMENTS_ON_A_LINE, isStandIn, openLine, type LineStream, type OnALine } from './streams';

export { INSTRUMENTS_ON_A_LINE, isStandIn, type LineStream, type OnALine } from './streams';

/** An instrument asked for, and once its lines are listened to, its process. Counted until the process has ended. */
interface Session {
  readonly which: OnALine;
  readonly openedAt: number;
  stream?: LineStream;
}
/** On globalThis because the development server loads modules anew. */
const held = globalThis as typeof globalThis & { ossaturaInstruments?: Map<string, Session> };
const sessions = (): Map<string, Session> => (held.ossaturaInstruments ??= new Map());
/** More instruments of a kind than a shop has. */
const MOST = 8;
/** A page that asked for an instrument listens to it within this time, or it is free again. */
const UNHEARD_MS = 20_000;

function forgetUnheard(): void {
  for (const [id, { stream, openedAt }] of sessions())
    if (!stream && Date.now() - openedAt > UNHEARD_MS) sessions().delete(id);
}

export const openingSchema = z.object({
  does: z.literal('open'),
  jobId: z.string().max(60),
  simulated: z.boolean(),
});

/**
 * An instrument for one page. A stand-in reads an invented frame: outside the demo, whose units `knows` tells, it is opened only for somebody who asks
 * for exactly that.
 */
export function openFor(
  which: OnALine,
  { jobId, simulated }: z.output<typeof openingSchema>,
  knows: (tag: string) => boolean,
): Written<{ session: string; simulated: boolean }> {
  const { name } = INSTRUMENTS_ON_A_LINE[which];
  const nothing = `No ${name} was opened.`;
  const job = jobById(database(), jobId);
  const unit = job && unitById(database(), job.unitId);
  if (!unit) return refused('not-found', 'there is no such job', nothing);
  const isDemo = process.env.OSSATURA_DEMO === '1' && knows(unit.tag);
  if (isStandIn(which) && !simulated && !isDemo)
    return refused(
      'not-allowed',
      `no ${name} is set up on this server; only the simulated one`,
      nothing,
      'simulated',
    );
  forgetUnheard();
  if ([...sessions().values()].filter((session) => session.which === which).length >= MOST)
    return refused('too-many', `${MOST} ${name}s are open already`, nothing);
  const session = randomUUID();
  sessions().set(session, { which, openedAt: Date.now() });
  return written({ session, simulated: isStandIn(which) });
}

/** The line of a session that is listened to. */
export const lineOf = (which: OnALine, session: string): Written<LineStream> => {
  const found = sessions().get(session);
  return found?.which === which && found.stream
    ? written(found.stream)
    : refused(
        'not-found',
        `no ${INSTRUMENTS_ON_A_LINE[which].name} is connected on this page`,
        'Nothing was read.',
      );
};

/** An instrument's lines as they come, as server-sent events: once a session, to the page that opened it. Closing the page lets go of it. */
export function listen(which: OnALine, request: Request): Response {
  forgetUnheard();
  const id = new URL(request.url).searchParams.get('session') ?? '';
  const session = sessions().get(id);
  if (session?.which !== which || session.stream) return notFound(INSTRUMENTS_ON_A_LINE[which].name);
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let isOpen = true;
      const tell = (event: string, data: string) =>
        isOpen && controller.enqueue(encoder.encode(`event: ${event}\ndata: ${data.slice(0, 1200)}\n\n`));
      const end = () => {
        if (!isOpen) return;
        isOpen = false;
        controller.close();
      };
      const line = openLine(which, {
        onLine: (said) => tell('line', said),
        onGone: (why) => {
          sessions().delete(id);
          tell('gone', why);
          end();
        },
      });
      session.stream = line;
      line.write('HELLO');
      request.signal.addEventListener('abort', () => {
        end();
        line.close();
      });
    },
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  });
}
