import { z } from 'zod';
import { guarded, mutation } from '../_door';
import { isStandIn, lineOf, listen, openFor, openingSchema, type LineStream } from '../_line';
import { faceIdSchema, memberOf } from '@/core/frame';
import { database, jobFile, refused, written, type Written } from '@/data';
import { demoWallAt, hasDemoMetal } from '@/demo/gauge-truth';

export const dynamic = 'force-dynamic';

export const GET = (request: Request) => guarded(request, () => listen('gauge', request));

const command = z.discriminatedUnion('does', [
  openingSchema,
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
    if (asked.does === 'open') return openFor('gauge', asked, hasDemoMetal);
    const line = lineOf('gauge', asked.session);
    return line.ok ? say(line.value, asked) : line;
  });

function say(gauge: LineStream, asked: Said): Written<null> {
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
function place(gauge: LineStream, asked: Extract<Said, { does: 'place' }>): Written<null> {
  if (!isStandIn('gauge')) return written(null);
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
