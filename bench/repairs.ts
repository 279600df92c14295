/** A repair checked again as its end is dragged, and every form for the same damage worked out, against the whole member's work. */
import { demoBundle } from '@/demo';
import { candidates, inputsOf, sortedRecords, workMember, workRepair, type JobRecords } from '@/core/job';
import { firstBolts, repairPicture, type Repair } from '@/core/shape';

function medianMs(run: () => unknown, times = 15): number {
  const took = Array.from({ length: times }, () => {
    const begun = performance.now();
    run();
    return performance.now() - begun;
  });
  return took.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

const gritter = demoBundle('GR-7');
const records: JobRecords = {
  ...gritter!,
  ...(gritter!.unit.grossMassKg && { grossMassKg: gritter!.unit.grossMassKg }),
};
const sorted = sortedRecords(records);
const inputs = inputsOf(
  sorted,
  sorted.records.frame.members.find(({ id }) => id === 'rail-right')!,
);
const work = workMember(inputs);
const [worked] = work.repairs;

const bolts = firstBolts(work.picture);
const boltedOn = { ...worked!.repair, cutOut: false, plugs: false, bolts };
const whole = medianMs(() => workMember(inputs), 7);
const checkedAs = (repair: Repair) =>
  medianMs(() => workRepair(repairPicture(work.picture, repair), true, 5000), 25);
const again = checkedAs(worked!.repair);
const bolted = checkedAs(boltedOn);
const forms = medianMs(() => candidates(work.picture, worked!.target!), 7);
console.log(
  `repairs: one worked again as its end is dragged ${again.toFixed(1)} ms, bolted ${bolted.toFixed(1)} ms; every form of it ${forms.toFixed(0)} ms; the member whole ${whole.toFixed(0)} ms; ${(again / whole).toFixed(3)} and ${(forms / whole).toFixed(2)} of it`,
);
