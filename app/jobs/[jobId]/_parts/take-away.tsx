'use client';

import { Menu, MenuLink } from '@/ui/controls';
import { lengthDigits } from '@/core/quantity';
import { useDesk } from '../../_desk';

/** Everything that leaves the building: cut sheets, readings, bundle, work order. */
export function TakeAway() {
  const { file, works, system } = useDesk();
  const base = `/api/jobs/${file.job.id}`;
  const patterns = [...works.values()].flatMap((work) =>
    work.repairs.flatMap((repair) =>
      repair.patterns.map((pattern) => ({ pattern, member: work.picture.member })),
    ),
  );
  return (
    <Menu label="Take away">
      <MenuLink href={`${base}/work-order?unit=${system}`} note="one page, PDF">
        Work order
      </MenuLink>
      <MenuLink href={`${base}/buyers-look?unit=${system}`} note="seen, not seen, found, cost: one page, PDF">
        Look before buying
      </MenuLink>
      {file.walk.some((record) => record.kind === 'photo') && (
        <MenuLink href={`${base}/photos`} note="every picture, zip">
          Photos
        </MenuLink>
      )}
      {patterns.map(({ pattern, member }) => {
        const name = `${pattern.piece.kind}, ${member.name.toLowerCase()} ${lengthDigits(pattern.piece.startMm, system, 'length')} to ${lengthDigits(pattern.piece.endMm, system, 'length')}`;
        return [
          <MenuLink
            key={pattern.piece.id}
            href={`${base}/cut-sheets/${pattern.piece.id}?unit=${system}`}
            note={`flat pattern, DXF in ${system}`}
          >
            {name}
          </MenuLink>,
          <MenuLink
            key={`${pattern.piece.id}-twin`}
            href={`${base}/cut-sheets/${pattern.piece.id}?unit=${system}&twin=1`}
            note="mirrored twin for the other side, DXF"
          >
            {name}, twin
          </MenuLink>,
        ];
      })}
      <MenuLink href={`${base}/readings?unit=${system}`} note={`CSV, bare numbers in ${system}`}>
        Readings
      </MenuLink>
      <MenuLink href={`${base}/bundle`} note="JSON; another shop can take it in">
        The whole job
      </MenuLink>
    </Menu>
  );
}
