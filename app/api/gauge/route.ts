import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { guarded, mutation, notFound } from '../_door';
import { faceIdSchema, memberOf } from '@/core/frame';
import { database, jobById, jobFile, refused, unitById, written, type Written } from '@/data';
import { demoWallAt, hasDemoMetal } from '@/demo/gauge-truth';
import { isStandIn, openGauge, type GaugeStream } from './streams';

export const dynamic = 'force-dynamic';

/** A gauge asked for, and once its lines are listened to, its process. Counted until the process has ended. */
interface Session {
  readonly openedAt: number;
  stream?: GaugeStream;
}
/** On globalThis because the development server loads modules anew. */
const held = globalThis as typeof globalThis & { ossaturaGauges?: Map<string, Session> };
const gauges = (): Map<string, Session> => (held.ossaturaGauges ??= new Map());
/** More gauges than a shop has. */
const MOST_GAUGES = 8;
/** A page that asked for a gauge listens to it within this time, or it is free again. */
const UNHEARD_MS = 20_000;

function forgetUnheard(): void {
  for (const [id, { stream, openedAt }] of gauges())
    if (!stream && Date.now() - openedAt > UNHEARD_MS) gauges().delete(id);
}

const opening = z.object({ does: z.literal('open'), jobId: z.string().max(60), simulated: z.boolean() });

/** A gauge for one page. The stand-in reads invented metal: outside the demo it is opened only for somebody who asks for exactly that. */
function open({
  jobId,
  simulated,
}: z.output<typeof opening>): Written<{ session: string; simulated: boolean }> {
  const job = jobById(database(), jobId);
  const unit = job && unitById(database(), job.unitId);
  if (!unit) return refused('not-found', 'there is no such job', 'No gauge was opened.');
  if (isStandIn() && !simulated && !isDemo(unit.tag))
    return refused(
      'not-allowed',
      'no gauge is set up on this server; only the simulated one',
      'No gauge was opened.',
      'simulated',
    );
  forgetUnheard();
  if (gauges().size >= MOST_GAUGES)
    return refused('too-many', `${MOST_GAUGES} gauges are open already`, 'No gauge was opened.');
  const session = randomUUID();
  gauges().set(session, { openedAt: Date.now() });
  return written({ session, simulated: isStandIn() });
}

const isDemo = (tag: string): boolean => process.env.OSSATURA_DEMO === '1' && hasDemoMetal(tag);

/** A gauge's lines as they come, as server-sent events: once a session, to the page that opened it. Closing the page lets go of it. */
export const GET = (request: Request) =>
  guarded(request, () => {
    forgetUnheard();
    const id = new URL(request.url).searchParams.get('session') ?? '';
    const session = gauges().get(id);
    if (!session || session.stream) return notFound('gauge');
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
        const gauge = openGauge({
          onLine: (line) => tell('line', line),
          onGone: (why) => {
            gauges().delete(id);
            tell('gone', why);
            end();
          },
        });
        session.stream = gauge;
        gauge.write('HELLO');
        request.signal.addEventListener('abort', () => {
          end();
          gauge.close();
        });
      },
    });
    return new Response(stream, {
      headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
    });
  });

const command = z.discriminatedUnion('does', [
  opening,
  z.object({ does: z.literal('mode'), session: z.uuid(), mode: z.enum(['single', 'echo']) }),
  z.object({ does: z.literal('velocity'), session: z.uuid(), mps: z.number().gte(3000).lte(8000) }),
  z.object({ does: z.literal('block'), session: z.uuid(), stepMm: z.number().gt(0).lte(50) }),
  z.object({ does: z.literal('read'), session: z.uuid() }),
  z.object({ does: z.literal('unplug'), session: z.uuid() }),
  z.object({
    does: z.literal('place'),
    session: z.uuid(),
    jobId: z.string(),
    memberId: z.string(),
    stationMm: z.number(),
    face: faceIdSchema,
    heightMm: z.number(),
  }),
]);
type Command = z.output<typeof command>;
type Said = Exclude<Command, { does: 'open' }>;

/** What is said to a gauge, once one was opened. */
export const POST = (request: Request) =>
  mutation(request, command, (asked): Written<unknown> => {
    if (asked.does === 'open') return open(asked);
    const gauge = gauges().get(asked.session)?.stream;
    return gauge
      ? say(gauge, asked)
      : refused('not-found', 'no gauge is connected on this page', 'Nothing was read.');
  });

function say(gauge: GaugeStream, asked: Said): Written<null> {
  switch (asked.does) {
    case 'mode':
      gauge.write(`MODE ${asked.mode}`);
      break;
    case 'velocity':
      gauge.write(`VELOCITY ${asked.mps}`);
      break;
    case 'block':
      gauge.write(`BLOCK ${asked.stepMm.toFixed(2)}`);
      break;
    case 'read':
      gauge.write('READ');
      break;
    case 'unplug':
      gauge.close();
      break;
    case 'place':
      return place(gauge, asked);
    default:
      asked satisfies never;
  }
  return written(null);
}

/** Where its probe stands only the stand-in wants to know: it is told what metal lies there. */
function place(gauge: GaugeStream, asked: Extract<Said, { does: 'place' }>): Written<null> {
  if (!isStandIn()) return written(null);
  const file = jobFile(database(), asked.jobId);
  const member = file && memberOf(file.frame, asked.memberId);
  if (!file || !member) return refused('not-found', 'there is no such member', 'Nothing was read.');
  const wall = demoWallAt(file.unit.tag, member, asked.stationMm, asked.face, asked.heightMm);
  gauge.write(
    wall
      ? `UNDER thickness=${wall.thicknessMm.toFixed(3)} pit=${wall.pit.toFixed(2)} paint=${wall.paintMm.toFixed(2)} temperature=14`
      : 'UNDER none',
  );
  return written(null);
}
