import { useCallback, useState, type ComponentType } from 'react';
import { loadedLater } from './loaded-later';

/** A component that comes with its first use: undefined until it is brought. `bring` says whether it is here. */
export function usePart<Props>(
  load: () => Promise<ComponentType<Props>>,
): readonly [ComponentType<Props> | undefined, bring: () => Promise<boolean>] {
  const [Part, setPart] = useState<ComponentType<Props>>();
  const bring = useCallback(async () => {
    const part = await loadedLater(load);
    setPart(() => part);
    return part !== undefined;
  }, [load]);
  return [Part, bring];
}
