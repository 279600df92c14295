'use client';

import { Menu, MenuAction, MenuLink } from '@/ui/controls';
import { lengthDigits } from '@/core/quantity';
import { flatId, flatName } from '@/core/shape';
import { repairName } from '../../../_words/shape';
import { stationDigits } from '../../../_words/station';
import { SYSTEM_WORDS } from '../../../_words/system';
import {
  addressOf,
  copyAddress,
  useMember,
  usePlaceLater,
  useReader,
  useRecordsLater,
  useWork,
} from '../../_desk';

/** Everything that leaves the building: cut sheets, readings, bundle, work order. */
export function TakeAway() {
  const { file } = useRecordsLater();
  const { system } = useReader();
  const hasPhotos = file.evidence.some((record) => record.kind === 'photo');
  const base = `/api/jobs/${file.job.id}`;
  const names = new Map(file.frame.members.map((member) => [member.id, member.name.toLowerCase()]));
  return (
    <Menu label="Take away">
      <LinkHere />
      <MenuLink href={`${base}/work-order?unit=${system}`} note="one page, PDF">
        Work order
      </MenuLink>
      <MenuLink href={`${base}/owners-report?unit=${system}`} note="answers, ways out, prices, to sign: PDF">
        For the owner
      </MenuLink>
      <MenuLink href={`${base}/buyers-look?unit=${system}`} note="seen, not seen, found, cost: one page, PDF">
        Look before buying
      </MenuLink>
      {hasPhotos && (
        <MenuLink href={`${base}/photos`} note="every picture, zip">
          Photos
        </MenuLink>
      )}
      <CutSheets base={base} names={names} />
      <WeldSheets base={base} names={names} />
      <MenuLink
        href={`${base}/cut-list?unit=${system}`}
        note={`every part to cut, CSV in ${SYSTEM_WORDS[system]}`}
      >
        Cut list
      </MenuLink>
      <MenuLink
        href={`${base}/readings?unit=${system}`}
        note={`CSV, bare numbers in ${SYSTEM_WORDS[system]}`}
      >
        Readings
      </MenuLink>
      <MenuLink
        href={`${base}/evidence-pack?unit=${system}`}
        note="papers, readings, photos, whole job: zip with check sums"
      >
        Evidence for a claim
      </MenuLink>
      <MenuLink href={`${base}/bundle`} note="JSON; another shop can take it in">
        The whole job
      </MenuLink>
      {hasPhotos && (
        <MenuLink href={`${base}/bundle?pictures=1`} note="zip; another shop can take it in">
          The whole job with its pictures
        </MenuLink>
      )}
    </Menu>
  );
}

interface Sheets {
  readonly base: string;
  /** What each member is called. */
  readonly names: ReadonlyMap<string, string>;
}

/** The flat of each plate, and its mirrored twin. */
function CutSheets({ base, names }: Sheets) {
  const { system } = useReader();
  const { summaries } = useWork();
  const patterns = [...summaries].flatMap(([id, summary]) =>
    summary.flats.map(({ pattern }) => ({ pattern, memberName: names.get(id) })),
  );
  return patterns.map(({ pattern, memberName }) => {
    const at = (mm: number) => lengthDigits(pattern.memberStartsMm + pattern.startMm + mm, system, 'length');
    const name = `${flatName(pattern)}, ${memberName} ${at(0)} to ${at(pattern.lengthMm)}`;
    const id = flatId(pattern);
    return [
      <MenuLink
        key={id}
        href={`${base}/cut-sheets/${encodeURIComponent(id)}?unit=${system}`}
        note={`flat pattern, DXF in ${SYSTEM_WORDS[system]}`}
      >
        {name}
      </MenuLink>,
      <MenuLink
        key={`${id}-twin`}
        href={`${base}/cut-sheets/${encodeURIComponent(id)}?unit=${system}&twin=1`}
        note="mirrored twin for the other side, DXF"
      >
        {name}, twin
      </MenuLink>,
    ];
  });
}

function WeldSheets({ base, names }: Sheets) {
  const { file } = useRecordsLater();
  const { system } = useReader();
  return file.repairs
    .filter(({ bolts }) => !bolts)
    .map((repair) => (
      <MenuLink
        key={repair.id}
        href={`${base}/weld-sheets/${repair.id}?unit=${system}`}
        note="seams on the wall, order, boxes to sign: one page, PDF"
      >
        Weld sheet: {repairName(repair)}, {names.get(repair.memberId)}
      </MenuLink>
    ));
}

function LinkHere() {
  const { system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlaceLater();
  const station = stationDigits(member, cursor.stationMm, system);
  return (
    <MenuAction
      note={`${member.name.toLowerCase()}, station ${station} ${system}`}
      onSelect={() => void copyAddress(addressOf(window.location.href, member.id, `${station} ${system}`))}
    >
      Copy the link to this place
    </MenuAction>
  );
}
