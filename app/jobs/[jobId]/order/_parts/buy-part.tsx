'use client';

import { useState } from 'react';
import { z } from 'zod';
import { costsOf, stands, type JobOrder, type ToGet } from '@/core/job';
import { boughtKind, type Bought } from '@/core/order';
import { printLength, printMass, type UnitSystem } from '@/core/quantity';
import { consumedWords } from '../../../../_words/settings';
import { OtherKeep, Pick, TypedEntry, TypedRecordForm, useTypedForm } from '@/ui/controls';
import { figureTyped } from '../../../../_parts/typed';
import { dayWords } from '../../../../_words/dates';
import { useKeepChecked, useReader, useRecords } from '../../../_desk';

/** What the job takes: on the shelf, ordered, in; kits that would do; wire and gas; what it came to beside what was reckoned. */
export function BuyPart({ order }: { order: JobOrder }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { parts, kits, consumed } = order.toGet;
  const bought = stands(file, 'bought');
  const lastOf = (key: string) => bought.findLast((each) => each.key === key);
  const { currency } = file.practice.money;
  const { reckoned, spent } = costsOf(order.toGet, bought);
  const kit = kits.filter(({ key }) => !lastOf(key));
  return (
    <section aria-label="To buy">
      <h2 className="text-2xl font-semibold">
        {parts.length === 0
          ? 'Nothing is bought for it'
          : `${parts.filter(({ key }) => lastOf(key)?.is !== 'in').length} of ${parts.length} not in yet`}
      </h2>
      {spent > 0 && (
        <p>
          Cost so far {currency}
          {Math.round(spent)}; steel was reckoned at {currency}
          {Math.round(reckoned[0])} to {currency}
          {Math.round(reckoned[1])}.
        </p>
      )}
      <ul className="ruled mt-2">
        {parts.map((part) => (
          <PartRow key={part.key} part={part} last={lastOf(part.key)} />
        ))}
        {bought
          .filter(
            (each, k) =>
              !parts.some(({ key }) => key === each.key) &&
              bought.findIndex(({ key }) => key === each.key) === k,
          )
          .map(({ key, name }) => (
            <PartRow
              key={key}
              part={{ key, is: 'companion', name, for: 'bought besides', count: 1 }}
              last={lastOf(key)}
            />
          ))}
      </ul>
      {kit.length > 0 && (
        <>
          <h3 className="mt-3 border-b border-ink text-lg font-semibold">Instead of plates made here</h3>
          <ul className="ruled">
            {kit.map((each) => (
              <KitRow key={each.key} kitFor={each} />
            ))}
          </ul>
        </>
      )}
      <p className="mt-3">
        {consumedWords(consumed, system)}: seams as they are drawn, common practice for what is lost.
      </p>
    </section>
  );
}

const partWords = (
  { name, for: what, count, thicknessMm, lengthMm, massKg }: ToGet,
  system: UnitSystem,
): string =>
  [
    `${count > 1 ? `${count} × ` : ''}${name}`,
    ...(thicknessMm !== undefined ? [printLength(thicknessMm, system, 'thickness')] : []),
    ...(lengthMm !== undefined ? [`${printLength(lengthMm, system, 'length')} long`] : []),
    ...(massKg !== undefined ? [printMass(massKg, system)] : []),
    `for ${what.charAt(0).toLowerCase()}${what.slice(1)}`,
  ].join(', ');

function PartRow({ part, last }: { part: ToGet; last: Bought | undefined }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [isTelling, setTelling] = useState(false);
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="min-fit-60 flex-1 text-lg">{partWords(part, system)}</span>
        <span className={last ? 'font-semibold' : ''}>
          {last?.is === 'in'
            ? 'in'
            : last
              ? `ordered, due ${dayWords(last.due ?? '')}`
              : part.onShelf
                ? 'lies on the shelf'
                : part.is === 'steel'
                  ? 'not on the shelf'
                  : 'open'}
          {last?.cost !== undefined && ` (${file.practice.money.currency}${Math.round(last.cost)})`}
        </span>
        <button
          type="button"
          className="plain"
          aria-expanded={isTelling}
          onClick={() => setTelling(!isTelling)}
        >
          {last ? 'What is new' : 'Ordered, or in'}
        </button>
      </div>
      {last?.differs && (
        <p className="caption">
          Another one than wanted: {last.differs}
          {last.differsHours !== undefined && `; ${last.differsHours} h more`}
        </p>
      )}
      {isTelling && (
        <BoughtForm partKey={part.key} name={partWords(part, system)} onClose={() => setTelling(false)} />
      )}
    </li>
  );
}

function KitRow({ kitFor }: { kitFor: JobOrder['toGet']['kits'][number] }) {
  const { file } = useRecords();
  const { system } = useReader();
  const [name, setName] = useState(kitFor.kits[0]!.name);
  const [isTelling, setTelling] = useState(false);
  const kit = kitFor.kits.find((each) => each.name === name) ?? kitFor.kits[0]!;
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-end gap-3">
        <Pick
          label={`kit for ${kitFor.for.toLowerCase()}`}
          value={name}
          options={kitFor.kits.map((each) => each.name)}
          onPick={setName}
          className="min-fit-52"
        />
        <span>
          covers {printLength(kit.coversMm, system, 'length')},{' '}
          {printLength(kit.thicknessMm, system, 'thickness')}
          {kit.price !== undefined && `, ${file.practice.money.currency}${kit.price}`}
          {kit.leadDays !== undefined && `, ${kit.leadDays} days`}
        </span>
        <button type="button" className="plain" onClick={() => setTelling(true)}>
          Order it
        </button>
      </div>
      {isTelling && (
        <BoughtForm partKey={kitFor.key} name={kit.name} cost={kit.price} onClose={() => setTelling(false)} />
      )}
    </li>
  );
}

const boughtTyped = z.object({ due: z.string(), cost: figureTyped, differs: z.string(), hours: figureTyped });

function BoughtForm({
  partKey,
  name,
  cost,
  onClose,
}: {
  partKey: string;
  name: string;
  cost?: number | undefined;
  onClose: () => void;
}) {
  const { currency } = useRecords().file.practice.money;
  const keepChecked = useKeepChecked();
  const form = useTypedForm(boughtTyped, {
    due: '',
    cost: cost === undefined ? '' : String(cost),
    differs: '',
    hours: '',
  });
  const keepAs =
    (is: Bought['is']) =>
    ({ due, cost, differs, hours }: z.infer<typeof boughtTyped>) =>
      keepChecked(boughtKind, {
        key: partKey,
        name: name.slice(0, 160),
        is,
        ...(due && { due }),
        ...(cost !== undefined && { cost }),
        ...(differs.trim() && { differs }),
        ...(hours !== undefined && { differsHours: hours }),
      }) ?? onClose();
  return (
    <TypedRecordForm
      form={form}
      label={name}
      keep="Ordered"
      onKeep={keepAs('ordered')}
      onLeave={onClose}
      beside={
        <OtherKeep form={form} onKeep={keepAs('in')}>
          It is in
        </OtherKeep>
      }
    >
      <div className="flex flex-wrap items-end gap-2">
        <TypedEntry name="due" label="due" type="date" className="w-44" />
        <TypedEntry name="cost" label={`cost, ${currency}`} className="w-28" />
        <TypedEntry
          name="differs"
          label="another one: in what it differs"
          className="min-fit-52 flex-1"
          maxLength={300}
        />
        <TypedEntry name="hours" label="hours that costs" className="w-32" />
      </div>
    </TypedRecordForm>
  );
}
