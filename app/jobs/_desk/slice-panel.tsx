'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { faceOf, surfaceOf } from '@/core/frame';
import {
  plasticModuli,
  sectionProperties,
  shearFlow,
  torsionFlow,
  warping,
  type Section,
  type ShearFlow,
} from '@/core/mechanics';
import {
  lbfToNewtons,
  percent,
  printLength,
  printLineForce,
  sectionDigits,
  sectionUnit,
  significant,
  type UnitSystem,
} from '@/core/quantity';
import { edgeAt } from '@/core/probe';
import { unrolledPath } from '@/core/trace';
import { figure, lowerBound, NO_CHANGE, worstStation, type KeptKey, type SectionKept } from '@/core/weigh';
import { stateKept, stateSection, STATE_IDS, type StateId } from '@/core/shape';
import { cursorU } from '@/ui/strip';
import { Slice } from '@/ui/slice';
import { Choice } from '@/ui/controls';
import { useDesk, type Desk } from './desk';

const ROWS: readonly (readonly [KeptKey, string, 2 | 3 | 4])[] = [
  ['area', 'area', 2],
  ['inertia', 'Ix', 4],
  ['modulusTop', 'S top', 3],
  ['modulusBottom', 'S bottom', 3],
  ['inertiaSideways', 'Iy', 4],
  ['torsion', 'J', 4],
];
const STATE_WORDS: Readonly<Record<StateId, string>> = {
  'as built': 'built',
  'as found': 'found',
  'cut open': 'cut open',
  tacked: 'tacked',
  'as repaired': 'repaired',
};

/** The Slice at the cursor: drawing, figures, what is kept, where the worst station is. */
export function SlicePanel({ shows }: { shows: StateId }) {
  const desk = useDesk();
  const { member, cursor, system, states, work } = desk;
  const [wanted, setWanted] = useState<StateId>(shows);
  const [exaggeration, setExaggeration] = useState<1 | 3>(3);
  const surface = useMemo(() => surfaceOf(member.shape), [member.shape]);
  const available = states.map((state) => state.id);
  const shown = available.includes(wanted)
    ? wanted
    : available.includes('as found')
      ? 'as found'
      : 'as built';
  const state = states.find((each) => each.id === shown);
  const found = states.find((each) => each.id === 'as found');
  const here =
    work && state && shown !== 'as built' ? stateKept(work.picture, state, cursor.stationMm) : undefined;
  const foundHere = work && found ? stateKept(work.picture, found, cursor.stationMm) : undefined;
  const built = work?.picture.builtProperties;
  const station = printLength(cursor.stationMm, system, 'length');

  return (
    <div>
      <Worst desk={desk} />
      <div className="flex items-baseline justify-between">
        <h2 className="text-lg font-semibold">Slice at {station}</h2>
        <button
          type="button"
          className="hit caption underline"
          onClick={() => setExaggeration(exaggeration === 3 ? 1 : 3)}
        >
          walls ×{exaggeration}
        </button>
      </div>
      <Slice
        member={member}
        surface={surface}
        builtMm={work?.picture.built.thicknessMm ?? member.shape.thicknessMm}
        height={236}
        system={system}
        exaggeration={exaggeration}
        {...(state && shown !== 'as built' && { wall: state.wallAt(cursor.stationMm) })}
        change={state?.changeAt(cursor.stationMm) ?? NO_CHANGE}
        edges={edgesHere(desk)}
        cracksU={cracksHere(desk)}
        cursorU={cursorU(member, cursor)}
        mirrored={member.side === 'right'}
        label={`Cross-section of ${member.name} at ${station}, ${shown}`}
      />
      {available.length > 1 && (
        <div className="mb-1 text-[14px] [&_button]:px-[4px]">
          <Choice
            label="State shown"
            value={shown}
            options={STATE_IDS.filter((id) => available.includes(id))}
            onChange={setWanted}
            words={(id) => STATE_WORDS[id]}
          />
        </div>
      )}
      <table className="w-full border-collapse text-[15px]">
        <thead>
          <tr className="caption border-b border-ink text-right">
            <th scope="col" className="py-1 text-left font-normal">
              <span className="sr-only">figure</span>
            </th>
            <th scope="col" className="font-normal">
              built
            </th>
            <th scope="col" className="font-normal">
              {shown === 'as built' ? '' : STATE_WORDS[shown]}
            </th>
            <th scope="col" className="font-normal">
              kept
            </th>
          </tr>
        </thead>
        <tbody className="ruled">
          {ROWS.map(([key, name, power]) => (
            <FigureRow
              key={key}
              name={name}
              power={power}
              figureKey={key}
              built={built && figure(key, built)}
              here={here}
              system={system}
            />
          ))}
        </tbody>
      </table>
      {work && state && (
        <SectionMore section={stateSection(work.picture, state, cursor.stationMm)} system={system} />
      )}
      {!work && (
        <p className="caption pt-2" role="status">
          working…
        </p>
      )}
      {work && !foundHere && (
        <p className="pt-2">
          {work.picture.map
            ? 'No metal is left at this station.'
            : 'Nothing measured on this member yet: only the section as built is known.'}
        </p>
      )}
      {foundHere && foundHere.guessedShare > 0 && (
        <p className="caption pt-1">{percent(foundHere.guessedShare)} of this section is guessed.</p>
      )}
      {work?.picture.built.fromReadings ? (
        <p className="caption">As built from {work.picture.built.fromReadings} sound readings of its own.</p>
      ) : (
        <p className="caption">As built is nominal.</p>
      )}
    </div>
  );
}

/** What else the section shown has: plastic moduli, warping, where shear may act without twisting, and the flow it makes. */
function SectionMore({ section, system }: { section: Section; system: UnitSystem }) {
  const plastic = plasticModuli(section);
  const properties = sectionProperties(section);
  const warp = warping(section);
  if (!plastic || !properties) return null;
  const inch = system === 'in';
  const most = (flow: ShearFlow | undefined) =>
    flow &&
    Math.max(
      ...[flow.startNPerMm, flow.middleNPerMm, flow.endNPerMm].flatMap((each) => [...each].map(Math.abs)),
    );
  const perForce = inch ? 'kip' : 'kN';
  const inFlow = (nPerMm: number) => printLineForce(nPerMm, system);
  const force = inch ? lbfToNewtons(1000) : 1000;
  const torque = inch ? lbfToNewtons(1000) * 25.4 : 1e6;
  const [upright, sideways] = [most(shearFlow(section, 0, force)), most(shearFlow(section, force, 0))];
  const twist =
    properties.cells > 0
      ? Math.max(...torsionFlow(section, torque, properties.jMm4).map(Math.abs))
      : undefined;
  const rows: [string, string][] = [
    [
      'plastic Zx, Zy',
      `${sectionDigits(plastic.zxMm3, 3, system)}, ${sectionDigits(plastic.zyMm3, 3, system)} ${sectionUnit(3, system)}`,
    ],
    ...(warp
      ? ([
          [
            'warping constant Cw',
            `${significant(warp.cwMm6 / (inch ? 25.4 : 10) ** 6, 3)} ${inch ? 'in' : 'cm'}⁶`,
          ],
          [
            'shear centre, out from the centroid',
            printLength(Math.abs(warp.xMm - properties.centroidXMm), system, 'thickness'),
          ],
        ] as [string, string][])
      : ([['warping and shear centre', 'none: the metal is in separate pieces']] as [string, string][])),
    ...(upright !== undefined
      ? ([[`largest shear flow, ${perForce} upright`, inFlow(upright)]] as [string, string][])
      : []),
    ...(sideways !== undefined ? ([[`… ${perForce} sideways`, inFlow(sideways)]] as [string, string][]) : []),
    ...(twist !== undefined
      ? ([[`… a torque of 1 ${inch ? 'kip·in' : 'kN·m'}, round the cell`, inFlow(twist)]] as [
          string,
          string,
        ][])
      : []),
  ];
  return (
    <details className="text-[14px]">
      <summary className="hit flex items-center">More of this section</summary>
      <dl className="grid grid-cols-[1fr_auto] gap-x-3">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="caption">{name}</dt>
            <dd className="text-right">{value}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}

function FigureRow({
  name,
  power,
  figureKey,
  built,
  here,
  system,
}: {
  name: string;
  power: 2 | 3 | 4;
  figureKey: KeptKey;
  built: number | undefined;
  here: SectionKept | undefined;
  system: UnitSystem;
}) {
  const kept = here?.kept[figureKey];
  return (
    <tr className="text-right">
      <th scope="row" className="py-1 text-left font-normal">
        {name}, {sectionUnit(power, system)}
      </th>
      <td>{built === undefined ? '' : sectionDigits(built, power, system)}</td>
      <td>{here ? sectionDigits(figure(figureKey, here.found), power, system) : ''}</td>
      <td className={`whitespace-nowrap ${kept && lowerBound(kept) < 0.9 ? 'font-bold text-oxide' : ''}`}>
        {kept ? (
          <>
            {percent(kept.value)}
            <span className="caption"> ±{Math.round(kept.plusMinus * 100)}</span>
          </>
        ) : here && figureKey === 'torsion' ? (
          <span className="caption">open</span>
        ) : (
          ''
        )}
      </td>
    </tr>
  );
}

function Worst({ desk }: { desk: Desk }) {
  const { work, system, setCursor, cursor, file, member } = desk;
  const worst =
    work &&
    [worstStation(work.picture.sections, 'modulusBottom'), worstStation(work.picture.sections, 'modulusTop')]
      .filter((each) => each !== undefined)
      .sort(
        (a, b) =>
          Math.min(lowerBound(a.kept.modulusBottom!), lowerBound(a.kept.modulusTop!)) -
          Math.min(lowerBound(b.kept.modulusBottom!), lowerBound(b.kept.modulusTop!)),
      )[0];
  if (!work || !worst) return null;
  const kept = Math.min(worst.kept.modulusBottom!.value, worst.kept.modulusTop!.value);
  return (
    <div className="mb-1 grid grid-cols-[auto_1fr] items-center gap-3 border-b-2 border-ink pb-2">
      <Link
        href={`/jobs/${file.job.id}/weigh?member=${member.id}`}
        className="hit flex items-center text-3xl font-bold leading-none"
      >
        {work.verdict.verdict}
      </Link>
      <button
        type="button"
        className="plain justify-between! px-2! text-[14px]"
        onClick={() => setCursor({ ...cursor, stationMm: worst.stationMm })}
      >
        <span className="text-left leading-tight">
          Worst station{' '}
          <span className="block whitespace-nowrap font-semibold">
            {printLength(worst.stationMm, system, 'length')}
          </span>
        </span>
        <span className="whitespace-nowrap text-lg font-semibold">S {percent(kept)}</span>
      </button>
    </div>
  );
}

function edgesHere({ work, cursor, member }: Desk) {
  return (work?.picture.edges ?? []).flatMap((edge) => {
    const at = edgeAt(edge, cursor.stationMm);
    const face = faceOf(member.shape, edge.face);
    return at && face && at.kind !== 'not read further down' && at.upperMm > 1
      ? [{ face, upperMm: at.upperMm }]
      : [];
  });
}

/** Where cracks cross this station, within an inch. */
function cracksHere({ work, cursor, member }: Desk): number[] {
  return (work?.picture.cracks ?? []).flatMap((crack) =>
    unrolledPath(member.shape, crack.path)
      .filter(([stationMm]) => Math.abs(stationMm - cursor.stationMm) < 25.4)
      .map(([, uMm]) => uMm),
  );
}
