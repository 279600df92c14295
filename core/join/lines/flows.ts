import { shearFlow, WELD_LINK } from '../../mechanics';
import { memberStates, stateSection, type RepairPicture } from '../../shape';

/** What crosses one of a repair's weld links at a station, N/mm. */
export interface LinkFlow {
  readonly uMm: number;
  readonly inside: boolean;
  readonly nPerMm: number;
}
export type LinkFlows = (stationMm: number) => readonly LinkFlow[];

/** The repaired section's own shear flow across its weld links, a station worked out once for all edges there. Nothing where nothing is known. */
export function linkFlows({ picture, repair }: RepairPicture, shearN: number): LinkFlows {
  const repaired = memberStates(picture, [repair]).find((state) => state.id === 'as repaired');
  const known = new Map<number, readonly LinkFlow[]>();
  const worked = (stationMm: number): readonly LinkFlow[] => {
    if (!repaired) return [];
    const section = stateSection(picture, repaired, stationMm);
    const flow = shearFlow(section, 0, shearN);
    if (!flow) return [];
    const strips = [...section.thicknessMm.keys()].filter(
      (strip) => section.thicknessMm[strip] === WELD_LINK,
    );
    return repaired
      .changeAt(stationMm)
      .plates.flatMap(({ weldedAtUMm, inside = false }) => weldedAtUMm.map((uMm) => ({ uMm, inside })))
      .map((link, k) => ({ ...link, nPerMm: Math.abs(flow.startNPerMm[strips[k]!]!) }));
  };
  return (stationMm) => {
    const flows = known.get(stationMm) ?? worked(stationMm);
    known.set(stationMm, flows);
    return flows;
  };
}
