import { fail, ok, type Outcome } from '../../quantity';

/** What an angle finder or a laser's receiver says, one line each; the protocols stand beside their stand-ins. */
export type InstrumentMessage =
  | { readonly says: 'ok'; readonly to: string }
  | { readonly says: 'live' | 'reading'; readonly value: number }
  | { readonly says: 'nothing' | 'silent' };

const LONGEST = 200;
/** What a frame can show at all: degrees from level, mm from a beam. */
const MOST = { a: 180, off: 2000 } as const;

/** Reads one line of an angle finder (`a`, degrees) or a laser (`off`, mm). Nonsense is refused with the reason, and the line is passed over. */
export function parseInstrumentLine(line: string, of: keyof typeof MOST): Outcome<InstrumentMessage> {
  const text = line.trim();
  if (text.length > LONGEST) return fail('the instrument sent a line that is too long');
  const value = /^([RT]) (a|off)=(-?\d+(?:\.\d+)?)$/.exec(text);
  if (value && value[2] === of) {
    const read = Number(value[3]);
    if (!(Math.abs(read) <= MOST[of])) return fail(`the instrument says ${value[3]}, which no frame is`);
    return ok({ says: value[1] === 'R' ? 'reading' : 'live', value: read });
  }
  if (text === 'ERR nothing' || text === 'ERR no beam') return ok({ says: 'nothing' });
  if (text === 'T none') return ok({ says: 'silent' });
  if (text.startsWith('OK ')) return ok({ says: 'ok', to: text.slice(3) });
  return fail(`the instrument said something that is not understood: “${text.slice(0, 40)}”`);
}
