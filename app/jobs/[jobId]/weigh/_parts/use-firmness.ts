'use client';

import { useEffect, useState } from 'react';
import type { Firmness } from '@/core/weigh';
import { useRecordsLater, useWork } from '../../../_desk';

/** How firm each member's decision is, asked for once everything is worked out; undefined meanwhile. */
export function useFirmness(): ReadonlyMap<string, Firmness> | undefined {
  const { file } = useRecordsLater();
  const { isWorking, firmness } = useWork();
  const [known, setKnown] = useState<{ of: unknown; firm: ReadonlyMap<string, Firmness> }>();
  useEffect(() => {
    if (isWorking) return;
    let isWanted = true;
    firmness().then(
      (firm) => isWanted && setKnown({ of: file, firm }),
      () => undefined,
    );
    return () => {
      isWanted = false;
    };
  }, [file, isWorking, firmness]);
  return known?.of === file ? known.firm : undefined;
}
