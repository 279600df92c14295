import { z } from 'zod';
import { guarded, mutation, notFound } from '../../_door';
import { isStandIn, lineOf, listen, openFor, openingSchema } from '../../_line';
import { database, jobFile, refused, written, type Written } from '@/data';
import { demoAngleDeg, demoBeamMm, hasDemoForm } from '@/demo/geometry-truth';

export const dynamic = 'force-dynamic';

const whichSchema = z.enum(['angle-finder', 'laser']);
type Which = z.infer<typeof whichSchema>;
interface Params {
  params: Promise<{ which: string }>;
}

const command = z.discriminatedUnion('does', [
  openingSchema,
  z.object({ does: z.literal('read'), session: z.uuid() }),
  z.object({
    does: z.literal('place'),
    session: z.uuid(),
    jobId: z.string().max(60),
    stationMm: z.number(),
    memberId: z.string().max(60).default(''),
    direction: z.enum(['up', 'across']).default('up'),
  }),
]);
type Place = Extract<z.output<typeof command>, { does: 'place' }>;

/** The lines of an angle finder or a laser, as they come. */
export const GET = (request: Request, { params }: Params) =>
  guarded(request, async () => {
    const which = whichSchema.safeParse((await params).which);
    return which.success ? listen(which.data, request) : notFound('instrument');
  });

/** What is said to an angle finder or a laser, once one was opened. */
export const POST = async (request: Request, { params }: Params) => {
  const which = whichSchema.safeParse((await params).which);
  if (!which.success) return notFound('instrument');
  return mutation(request, command, (asked): Written<unknown> => {
    if (asked.does === 'open') return openFor(which.data, asked, hasDemoForm);
    const line = lineOf(which.data, asked.session);
    if (!line.ok) return line;
    const words = asked.does === 'read' ? written('READ') : underWords(which.data, asked);
    if (!words.ok) return words;
    if (words.value) line.value.write(words.value);
    return written(null);
  });
};

/** Where it is held only a stand-in wants to know: it is told how the frame stands there. */
function underWords(which: Which, asked: Place): Written<string> {
  if (!isStandIn(which)) return written('');
  const file = jobFile(database(), asked.jobId);
  if (!file) return refused('not-found', 'there is no such job', 'Nothing was read.');
  return written(
    which === 'angle-finder'
      ? `UNDER a=${demoAngleDeg(file.unit.tag, asked.stationMm).toFixed(2)}`
      : `UNDER off=${demoBeamMm(file.unit.tag, file.frame, asked).toFixed(2)}`,
  );
}
