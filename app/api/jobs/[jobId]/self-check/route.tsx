import { renderToBuffer } from '@react-pdf/renderer';
import { z } from 'zod';
import { memberOf } from '@/core/frame';
import { stands } from '@/core/job';
import { printDistance, printLength } from '@/core/quantity';
import { cracksAsSeen, crackLengthMm, unrolledPath } from '@/core/trace';
import { database, jobFile, refused } from '@/data';
import { registerFonts } from '@/ui/print/fonts';
import { SelfCheckSheet } from '@/ui/print/self-check';
import { faceWords } from '@/ui/strip/face-words';
import { answer, download, guarded, notFound, systemOf } from '../../../_door';
import { DEFERENCE } from '../../../../_words/cautions';
import { printStation } from '../../../../_words/station';

/** Which crack; at what length to stop (mm across) and how often to look (km), where that was foretold. */
const askedSchema = z.object({
  crack: z.string(),
  stop: z.coerce.number().gt(0).lte(5000).optional(),
  every: z.coerce.number().gt(0).lte(1e6).optional(),
});

/** The owner's self-check sheet of one crack. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  guarded(request, async () => {
    const file = jobFile(database(), (await params).jobId);
    if (!file) return notFound('job');
    const asked = askedSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!asked.success) return answer(refused('invalid', 'which crack, and stop and every as numbers'));
    const cracks = cracksAsSeen(file.frame, stands(file, 'crack'), stands(file, 'crack look'));
    const crack = cracks.find(({ id }) => id === asked.data.crack);
    const member = crack && memberOf(file.frame, crack.memberId);
    if (!crack || !member) return notFound('crack');
    const system = systemOf(request);
    const { stop, every } = asked.data;
    const first = crack.path[0]!;
    await registerFonts();
    const pdf = await renderToBuffer(
      <SelfCheckSheet
        file={file}
        path={unrolledPath(member.shape, crack.path)}
        printedAt={new Date().toISOString()}
        words={{
          where: `${member.name}, ${faceWords(member, first.face)}, at ${printStation(member, first.stationMm, system)}`,
          length: printLength(crackLengthMm(member.shape, crack.path), system, 'length'),
          ends: crack.startFound && crack.finishFound ? 'both ends found' : 'an end of it not found',
          ...(stop !== undefined && {
            stop: `Stop at ${printLength(stop, system, 'length')} across, or if either end has passed its mark by 1/4 in (6 mm).`,
          }),
          ...(every !== undefined && {
            every: `Look every ${printDistance(every, system)}, and before every long trip.`,
          }),
          deference: DEFERENCE,
        }}
      />,
    );
    return download(new Uint8Array(pdf), 'application/pdf', `${file.unit.tag}-self-check.pdf`);
  });
