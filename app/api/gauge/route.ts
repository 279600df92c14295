import { z } from 'zod';
import { mutation, guarded, notFound } from '../_door';
import { faceIdSchema, memberOf } from '@/core/frame';
import { database, jobFile, refused, written } from '@/data';
import { demoWallAt } from '@/demo/gauge-truth';
import { isStandIn, openGauge, type GaugeStream } from './streams';

export const dynamic = 'force-dynamic';

/** Gauges in use, by the session that the page made up; on globalThis because the development server loads modules anew. */
const held = globalThis as typeof globalThis & { ossaturaGauges?: Map<string, GaugeStream> };
const gauges = (): Map<string, GaugeStream> => (held.ossaturaGauges ??= new Map());
const MOST_GAUGES = 20;

/** A gauge’s lines as they come, as server-sent events; closing the page lets go of it. */
export const GET = (request: Request) =>
  guarded(request, () => {
    const session = z.uuid().safeParse(new URL(request.url).searchParams.get('session'));
    if (!session.success || gauges().size >= MOST_GAUGES) return notFound('gauge');
    const encoder = new TextEncoder();
    const stream = new ReadableStream<Uint8Array>({
      start(controller) {
        let isOpen = true;
        const tell = (event: string, data: string) =>
          isOpen && controller.enqueue(encoder.encode(`event: ${event}\ndata: ${data.slice(0, 1200)}\n\n`));
        const end = () => {
          if (!isOpen) return;
          isOpen = false;
          gauges().delete(session.data);
          controller.close();
        };
        const gauge = openGauge({
          onLine: (line) => tell('line', line),
          onGone: (why) => {
            tell('gone', why);
            end();
          },
        });
        gauges().set(session.data, gauge);
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

/** What is said to a gauge. Where its probe stands only the stand-in wants to know: it is told what metal lies there. */
export const POST = (request: Request) =>
  mutation(request, command, (asked) => {
    const gauge = gauges().get(asked.session);
    if (!gauge) return refused('not-found', 'no gauge is connected on this page', 'Nothing was read.');
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
      case 'place': {
        if (!isStandIn()) break;
        const file = jobFile(database(), asked.jobId);
        const member = file && memberOf(file.frame, asked.memberId);
        if (!file || !member) return refused('not-found', 'there is no such member', 'Nothing was read.');
        const wall = demoWallAt(file.unit.tag, member, asked.stationMm, asked.face, asked.heightMm);
        gauge.write(
          wall
            ? `UNDER thickness=${wall.thicknessMm.toFixed(3)} pit=${wall.pit.toFixed(2)} paint=${wall.paintMm.toFixed(2)} temperature=14`
            : 'UNDER none',
        );
        break;
      }
      default:
        asked satisfies never;
    }
    return written(null);
  });
