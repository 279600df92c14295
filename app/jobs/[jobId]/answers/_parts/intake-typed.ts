import { fail, ok, type Outcome } from '@/core/quantity';
import type { AUTHORISED, Intake } from '@/core/walk';

/** What an owner tells, as it is typed; empty where he said nothing. */
export interface IntakeTyped {
  readonly frameBuilt: string;
  readonly livedAt: string;
  readonly needBy: string;
  readonly isHome: boolean;
  readonly ceiling: string;
  readonly unitValue: string;
  readonly askingPrice: string;
  readonly tried: string;
  readonly advice: string;
  readonly claimBy: string;
  readonly authorised: (typeof AUTHORISED)[number];
}

export const intakeTyped = (intake: Intake | undefined): IntakeTyped => ({
  frameBuilt: intake?.frameBuilt ?? '',
  livedAt: intake?.livedAt ?? '',
  needBy: intake?.needBy ?? '',
  isHome: intake?.isHome ?? false,
  ceiling: intake?.ceiling?.toString() ?? '',
  unitValue: intake?.unitValue?.toString() ?? '',
  askingPrice: intake?.askingPrice?.toString() ?? '',
  tried: intake?.tried ?? '',
  advice: intake?.advice ?? '',
  claimBy: intake?.makersClaim?.who ?? '',
  authorised: intake?.makersClaim?.authorised ?? 'not asked',
});

type Told = Omit<Intake, 'kind' | 'id' | 'by' | 'at' | 'note'>;

/** Money as people write it: 4,500 or $4500. Empty is nothing said, and nothing said is no nought. */
function readAmount(text: string, what: string): Outcome<number | undefined> {
  const bare = text.replace(/[\s,]/g, '').replace(/^\p{Sc}/u, '');
  if (bare === '') return ok(undefined);
  const amount = Number(bare);
  return Number.isFinite(amount) && amount > 0
    ? ok(amount)
    : fail(`${what}: an amount of money, more than nothing; leave it empty where nobody said`);
}

/** Typed facts read; the reason says which of them is wrong. */
export function readIntake(typed: IntakeTyped): Outcome<Told> {
  const amounts: Partial<Record<'ceiling' | 'unitValue' | 'askingPrice', number>> = {};
  for (const [key, what] of [
    ['ceiling', 'the ceiling'],
    ['unitValue', 'the unit’s value'],
    ['askingPrice', 'the asking price'],
  ] as const) {
    const amount = readAmount(typed[key], what);
    if (!amount.ok) return amount;
    if (amount.value !== undefined) amounts[key] = amount.value;
  }
  const said = Object.fromEntries(
    (['frameBuilt', 'livedAt', 'needBy', 'tried', 'advice'] as const).flatMap((key) =>
      typed[key].trim() === '' ? [] : [[key, typed[key].trim()]],
    ),
  );
  const who = typed.claimBy.trim();
  return ok({
    ...said,
    ...amounts,
    isHome: typed.isHome,
    ...(who !== '' && { makersClaim: { who, authorised: typed.authorised } }),
  });
}
