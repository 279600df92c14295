import { accessOpening } from './access-opening';
import { bracketRenewed } from './bracket-renewed';
import { bracketTrimmed } from './bracket-trimmed';
import { captiveMount } from './captive-mount';
import { crossBrace } from './cross-brace';
import { dishPlate } from './dish-plate';
import { formedTab } from './formed-tab';
import { gusset } from './gusset';
import { holeDoubler } from './hole-doubler';
import { legStructure } from './leg-structure';
import { sheetPatch } from './sheet-patch';
import { splice } from './splice';
import { straightening } from './straightening';
import { studBlocked } from './stud-blocked';
import { throughPlates } from './through-plates';
import { uprightSleeved } from './upright-sleeved';
import type { WorkForm, WorkId } from './work';

export * from './work';

const FORMS: Readonly<Record<WorkId, WorkForm>> = {
  gusset,
  'cross-brace': crossBrace,
  'hole doubler': holeDoubler,
  'bracket renewed': bracketRenewed,
  'bracket trimmed': bracketTrimmed,
  'captive mount': captiveMount,
  'through plates': throughPlates,
  'dish plate': dishPlate,
  'sheet patch': sheetPatch,
  'formed tab': formedTab,
  'access opening': accessOpening,
  straightening,
  splice,
  'upright sleeved': uprightSleeved,
  'leg structure': legStructure,
  'stud blocked': studBlocked,
};
export const workForm = (id: WorkId): WorkForm => FORMS[id];
