import { circlesIn, inOrder, withoutCircles, type Circle } from './graph';
import { ORDER_RULES, type Draft, type Edge } from './reasons';
import type { HeldTogether, OrderScene, Unplanned } from './scene';
import { TASK_SOURCES } from './sources';
import { standTroubles, type StandTrouble } from './stands';
import type { Task } from './task';
import { zonesOf, type Zone } from './zones';

/** What stands in a plan's way before anybody begins. */
export type Trouble =
  | { readonly is: 'circle'; readonly circle: Circle }
  | StandTrouble
  | { readonly is: 'rules broken'; readonly of: string; readonly name: string; readonly count: number }
  | { readonly is: 'held together'; readonly what: HeldTogether }
  | { readonly is: 'nothing planned'; readonly what: Unplanned };

/** Every task of a job in an order that breaks no reason, with the reasons, and what stands in the way. */
export interface Plan {
  readonly zones: readonly Zone[];
  readonly tasks: readonly Task[];
  readonly edges: readonly Edge[];
  readonly troubles: readonly Trouble[];
}

export function draftOf(scene: OrderScene): Draft {
  const zones = zonesOf(scene);
  return { scene, zones, tasks: TASK_SOURCES.flatMap((source) => source(scene, zones)) };
}

/** Every pair that a rule puts in order, once for each reason. */
export function edgesOf(draft: Draft, rules = ORDER_RULES): Edge[] {
  const seen = new Set<string>();
  return rules.flatMap(({ why, pairs }) =>
    pairs(draft).flatMap(([{ id: before }, { id: after }]): Edge[] => {
      const key = `${why}|${before}|${after}`;
      if (before === after || seen.has(key)) return [];
      seen.add(key);
      return [{ before, after, why }];
    }),
  );
}

export function planOrder(scene: OrderScene): Plan {
  const draft = draftOf(scene);
  const all = edgesOf(draft);
  const circles = circlesIn(
    draft.tasks.map(({ id }) => id),
    all,
  );
  const edges = circles.length > 0 ? withoutCircles(draft.tasks, all, circles) : all;
  return {
    zones: draft.zones,
    tasks: inOrder(draft.tasks, edges),
    edges,
    troubles: [
      ...circles.map((circle) => ({ is: 'circle', circle }) as const),
      ...standTroubles(scene),
      ...[...scene.repairs, ...scene.works, ...scene.renewals]
        .filter(({ brokenRules }) => brokenRules > 0)
        .map((each) => ({
          is: 'rules broken' as const,
          of: each.id,
          name:
            'name' in each
              ? each.name
              : (scene.frame.members.find(({ id }) => id === each.memberId)?.name ?? each.memberId),
          count: each.brokenRules,
        })),
      ...scene.heldTogether.map((what) => ({ is: 'held together', what }) as const),
      ...scene.unplanned.map((what) => ({ is: 'nothing planned', what }) as const),
    ],
  };
}
