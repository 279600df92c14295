'use client';

import { Link } from '@/app/_parts/link';
import { useCallback, useState } from 'react';
import { twinOf } from '@/core/frame';
import { percent } from '@/core/quantity';
import { flatsOf, toCutOf, type WorkedRepair } from '@/core/job';
import { checkRepair, inLengths, lieOver, pieceName, type Repair } from '@/core/shape';
import { lowerBound, type MemberPicture } from '@/core/weigh';
import type { StripScale } from '@/ui/strip';
import { CAUTIONS } from '../../../../_words/cautions';
import { ruleWords } from '../../../../_words/join-findings';
import {
  useRepairs,
  Bench,
  CracksToWeld,
  MemberStrip,
  useMember,
  usePlace,
  useReader,
  useRecords,
  useTrying,
} from '../../../_desk';
import { endMoved, inForm, onTwin, repairAbout, withAnother, withEnds } from './add-piece';
import { Checked } from './checked';
import { EndHandles } from './end-handles';
import { HeldBy } from './held-by';
import { InTheWay } from './in-the-way';
import { NothingDrawn } from './nothing-drawn';
import { OtherForms } from './other-forms';
import { RenewalPart } from './renewal-part';
import { KeepPattern, PatternsPart } from './patterns-part';
import { PieceForm } from './piece-form';
import { WorksPart } from './works-part';
import { FlatSheet } from './flat-sheet';
import { BrakeForm } from './brake-form';
import { printStation } from '../../../../_words/station';
import { Settling, When } from '@/ui/controls';

export function ShapeBench() {
  const { member } = useMember();
  const { work, repairs, plates, at, current, choose, change } = useRepairs();
  const { tryOut, letGo } = useTrying();
  const over = useCallback(
    (scale: StripScale) =>
      current ? (
        <EndHandles
          key={current.repair.id}
          member={member}
          repair={current.repair}
          scale={scale}
          onDragged={(pieces) => tryOut({ ...current.repair, pieces })}
          onMoved={(moved) => {
            if (!moved) return letGo();
            change(current, ({ pieces }) => ({
              pieces: pieces.map((piece, k) => (moved[k] ? withEnds(member, piece, moved[k]) : piece)),
            }));
          }}
        />
      ) : null,
    [current, member, change, tryOut, letGo],
  );
  return (
    <Bench slice="as repaired">
      <MemberStrip plates={plates} plateLabels readings={false} over={over} height={340} />
      {work && repairs.length === 0 && work.notOffered.length === 0 && (
        <NothingDrawn work={work} onAdd={(repair) => change({ repair, isProposal: true }, () => ({}))} />
      )}
      {work?.notOffered.map((tried) => (
        <NothingFits key={tried.repair.id} tried={tried} onTake={(other) => change(other, () => ({}))} />
      ))}
      <RenewalPart />
      <PatternsPart onLay={(repair) => change({ repair, isProposal: true }, () => ({}))} />
      <AddHere onAdd={(repair) => change({ repair, isProposal: true }, () => ({}))} />
      {repairs.length > 0 && <RepairTabs repairs={repairs} at={at} onChoose={choose} />}
      {current && (
        <div className="mt-3 grid gap-x-6 gap-y-4 xl:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
          <Pieces current={current} work={work} onChange={change} />
          <WhatFollows current={current} onChange={change} />
          <FormsAndFlats current={current} onChange={change} />
        </div>
      )}
      <WorksPart />
      <CracksToWeld />
    </Bench>
  );
}

type Repairs = ReturnType<typeof useRepairs>;
type Change = Repairs['change'];

/** The repairs of a member, one of them in hand; choosing one goes to where it is. */
function RepairTabs({
  repairs,
  at,
  onChoose,
}: {
  repairs: readonly WorkedRepair[];
  at: number;
  onChoose: (k: number) => void;
}) {
  const { system } = useReader();
  const { member, setCursor, setStretch } = useMember();
  const { cursor } = usePlace();
  const goTo = ({ repair: { pieces } }: WorkedRepair) => {
    const from = Math.min(...pieces.map((piece) => piece.startMm));
    const to = Math.max(...pieces.map((piece) => piece.endMm));
    setStretch({ fromMm: Math.max(0, from - 300), toMm: Math.min(member.lengthMm, to + 300) });
    setCursor({ ...cursor, stationMm: (from + to) / 2 });
  };
  return (
    <div className="mt-2 flex flex-wrap" role="group" aria-label="Repairs">
      {repairs.map((worked, k) => (
        <button
          key={worked.repair.id}
          type="button"
          className="plain -ml-px first:ml-0"
          aria-pressed={k === at}
          onClick={() => {
            onChoose(k);
            goTo(worked);
          }}
        >
          {worked.target
            ? `${printStation(member, worked.target.fromMm, system)} to ${printStation(member, worked.target.toMm, system)}`
            : pieceName(worked.repair.pieces[0]!)}
          <span className="caption text-current!">{tabWords(worked)}</span>
        </button>
      ))}
    </div>
  );
}

function tabWords({ findings, isProposal }: WorkedRepair): string {
  const broken = findings.filter((finding) => finding.weight === 'broken').length;
  if (broken) return `rules broken: ${broken}`;
  return isProposal ? 'proposed' : 'kept';
}

function Pieces({
  current,
  work,
  onChange,
}: {
  current: WorkedRepair;
  work: Repairs['work'];
  onChange: Change;
}) {
  const { tried } = useTrying();
  return (
    <section aria-label="Pieces" className="min-w-0">
      <h2 className="text-2xl font-semibold">
        {current.repair.pieces.map(pieceName).join(' and ')},{' '}
        {current.repair.bolts ? 'bolted' : current.repair.cutOut ? 'bad metal cut out' : 'laid over'}
      </h2>
      <p className="caption">
        {tried?.repair.id === current.repair.id ? (
          'As it is held: kept when it is let go.'
        ) : current.isProposal ? (
          'Proposed by the engine; the first change makes it yours.'
        ) : (
          <>
            Kept by {current.repair.by}, <When at={current.repair.at} />.
          </>
        )}
      </p>
      {current.repair.pieces.map((piece, k) => (
        <PieceForm
          key={`${current.repair.id}-${k}`}
          piece={piece}
          isBolted={current.repair.bolts !== undefined}
          onChange={(to) =>
            onChange(current, ({ pieces }) => ({
              pieces: pieces.map((each, n) => (n === k ? to(each) : each)),
            }))
          }
          onRemove={
            current.repair.pieces.length > 1
              ? () => onChange(current, ({ pieces }) => ({ pieces: pieces.filter((_, n) => n !== k) }))
              : undefined
          }
        />
      ))}
      {work && (
        <HeldBy
          key={current.repair.id}
          repair={current.repair}
          picture={work.picture}
          onChange={(to) => onChange(current, () => to)}
        />
      )}
      <InTheWay worked={current} onChange={(to) => onChange(current, to)} />
      <RepairActs current={current} picture={work?.picture} onChange={onChange} />
      <KeepPattern key={current.repair.id} worked={current} />
      <p className="caution mt-3">{CAUTIONS.shape}</p>
    </section>
  );
}

function RepairActs({
  current,
  picture,
  onChange,
}: {
  current: WorkedRepair;
  picture: MemberPicture | undefined;
  onChange: Change;
}) {
  const { withdrawRepair } = useRecords();
  const { member } = useMember();
  return (
    <div className="mt-3 flex flex-wrap gap-2">
      {current.repair.pieces.length < 6 && (
        <button
          type="button"
          className="plain"
          onClick={() => onChange(current, (standing) => withAnother(member, standing))}
        >
          Add a second piece
        </button>
      )}
      {!current.repair.bolts && (
        <button
          type="button"
          className="plain"
          aria-pressed={current.repair.cutOut}
          onClick={() => onChange(current, () => ({ cutOut: !current.repair.cutOut }))}
        >
          Cut the bad metal out
        </button>
      )}
      {picture && <InLengths picture={picture} worked={current} onChange={(to) => onChange(current, to)} />}
      <OnTwin
        key={current.repair.id}
        repair={current.repair}
        onLay={(laid) => onChange({ repair: laid, isProposal: true }, () => ({}))}
      />
      <Settling of={`${current.repair.id} ${current.isProposal}`}>
        {current.isProposal ? (
          <button type="button" className="solid" onClick={() => onChange(current, () => ({}))}>
            Keep this repair
          </button>
        ) : (
          <button type="button" className="plain" onClick={() => withdrawRepair(current.repair.id)}>
            {current.target ? 'Back to the engine’s proposal' : 'Take it out of the plan'}
          </button>
        )}
      </Settling>
    </div>
  );
}

function WhatFollows({ current, onChange }: { current: WorkedRepair; onChange: Change }) {
  const { file } = useRecords();
  const { member } = useMember();
  return (
    <section aria-label="What follows" className="min-w-0">
      <p className="mb-2">
        <Link className="plain" href={`/jobs/${file.job.id}/shape/round?member=${member.id}`}>
          See it in the round
        </Link>
      </p>
      <Restored worked={current} />
      <Checked
        worked={current}
        onMove={(fromMm, toMm) =>
          onChange(current, ({ pieces }) => ({
            pieces: pieces.map((piece) => endMoved(member, piece, fromMm, toMm)),
          }))
        }
      />
    </section>
  );
}

function FormsAndFlats({ current, onChange }: { current: WorkedRepair; onChange: Change }) {
  const { file } = useRecords();
  const { system } = useReader();
  const { member } = useMember();
  return (
    <>
      <div className="min-w-0 xl:col-span-2">
        <OtherForms
          worked={current}
          onTake={({ repair }) => onChange(current, (standing) => inForm(standing, repair))}
        />
      </div>
      <section aria-label="Flat patterns" className="min-w-0 xl:col-span-2">
        {flatSheets(current).map((each) => (
          <FlatSheet key={each.blank.id} toCut={each} jobId={file.job.id} system={system} />
        ))}
        <p className="mt-3 flex flex-wrap gap-2">
          <Link className="plain" href={`/jobs/${file.job.id}/shape/cut?member=${member.id}`}>
            Everything to cut, nested on sheets
          </Link>
        </p>
        <BrakeForm />
      </section>
    </>
  );
}

const flatSheets = (worked: WorkedRepair) => flatsOf([worked]).map(toCutOf);

/** Plates longer than the shop makes them, jointed where they meet least. */
function InLengths({
  picture,
  worked,
  onChange,
}: {
  picture: MemberPicture;
  worked: WorkedRepair;
  onChange: (to: (standing: Repair) => Partial<Repair>) => void;
}) {
  if (!worked.findings.some(({ code }) => code === 'plate-over-longest')) return null;
  return (
    <button
      type="button"
      className="plain"
      onClick={() => onChange((standing) => ({ pieces: inLengths(picture, standing).pieces }))}
    >
      Make it in lengths
    </button>
  );
}

/** The same plates on the other side, level with these: drawn there, and judged on that side's own metal. */
function OnTwin({ repair, onLay }: { repair: Repair; onLay: (laid: Repair) => void }) {
  const { file } = useRecords();
  const { member } = useMember();
  const [isLaid, setLaid] = useState(false);
  const twin = twinOf(file.frame, member);
  const laid = twin && onTwin(twin, repair);
  if (!twin || !laid) return null;
  if (isLaid)
    return (
      <p className="caption self-center" role="status">
        Drawn on {twin.name.toLowerCase()} too: look at it there.
      </p>
    );
  if (file.repairs.some((kept) => lieOver(kept, laid)))
    return (
      <p className="caption self-center">A kept repair lies there on {twin.name.toLowerCase()} already.</p>
    );
  return (
    <button
      type="button"
      className="plain"
      onClick={() => {
        onLay(laid);
        setLaid(true);
      }}
    >
      The same on {twin.name.toLowerCase()}
    </button>
  );
}

/** A plate by hand, anywhere: on sound metal too, where it only reinforces. */
function AddHere({ onAdd }: { onAdd: (repair: Repair) => void }) {
  const { file } = useRecords();
  const { by, system } = useReader();
  const { member } = useMember();
  const { cursor } = usePlace();
  const repair = repairAbout(member, cursor.stationMm, {
    stockMm: file.practice.stockThicknessesMm,
    by: by || 'unnamed',
  });
  if (!repair || !checkRepair(member, repair).ok) return null;
  return (
    <p className="mt-3">
      <button type="button" className="plain" onClick={() => onAdd(repair)}>
        Add a piece at {printStation(member, cursor.stationMm, system)}
      </button>
    </p>
  );
}

function Restored({ worked }: { worked: WorkedRepair }) {
  const { system } = useReader();
  const { member } = useMember();
  if (worked.restored.length === 0)
    return <p>Nothing is on record of the metal under it: what it brings is not known.</p>;
  const weakest = worked.restored.reduce((a, b) =>
    Math.min(lowerBound(b.kept.modulusTop!), lowerBound(b.kept.modulusBottom!)) <
    Math.min(lowerBound(a.kept.modulusTop!), lowerBound(a.kept.modulusBottom!))
      ? b
      : a,
  );
  return (
    <div className="border-b border-rule pb-2">
      <h3 className="text-lg font-semibold">
        {titleOf(worked)}, weakest at {printStation(member, weakest.stationMm, system)}
      </h3>
      <p className="letters-17">
        S bottom {percent(weakest.kept.modulusBottom!.value)}, S top {percent(weakest.kept.modulusTop!.value)}
        , Ix {percent(weakest.kept.inertia!.value)}, area {percent(weakest.kept.area!.value)} of built{' '}
        <span className="caption">± {Math.round(weakest.kept.modulusBottom!.plusMinus * 100)} on S</span>
      </p>
    </div>
  );
}

/** Plates bolted over sound metal take from it before they give. */
const titleOf = ({ target, findings }: WorkedRepair): string =>
  target
    ? 'As repaired'
    : findings.some(({ code }) => code === 'drilled-weaker')
      ? 'Sound metal drilled'
      : 'Sound metal reinforced';

/** Damage for which no plate would do: what was tried, and what speaks against it. */
function NothingFits({ tried, onTake }: { tried: WorkedRepair; onTake: (other: WorkedRepair) => void }) {
  const { system } = useReader();
  const { member } = useMember();
  const at = (mm: number) => printStation(member, mm, system);
  return (
    <section className="mt-4 border-l-[6px] border-oxide pl-3" aria-label="Nothing fits">
      <h2 className="text-xl font-semibold">
        {tried.target
          ? `No plate fits from ${at(tried.target.fromMm)} to ${at(tried.target.toMm)}`
          : 'No plate fits here'}
      </h2>
      <p>
        Tried{tried.repair.bolts ? ', bolted' : ''}:{' '}
        {tried.repair.pieces
          .map((piece) => `${pieceName(piece)} ${at(piece.startMm)} to ${at(piece.endMm)}`)
          .join(' and ')}
        . It is not offered, because:
      </p>
      <ul className="list-disc pl-5">
        {tried.against.map((finding, k) => (
          <li key={k}>
            {ruleWords(finding, system).title}
            <span className="caption">; {ruleWords(finding, system).change}</span>
          </li>
        ))}
      </ul>
      <p className="caption">
        Read more of the metal beside it; where that does not help, the member is spliced or renewed.
      </p>
      <OtherForms worked={tried} onTake={onTake} />
    </section>
  );
}
