'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

const AGAIN_MS = 1500;

/** Asks for the page again while lines on it are being worked out. */
export function StillWorking({ jobs }: { jobs: number }) {
  const router = useRouter();
  useEffect(() => {
    const timer = setInterval(() => router.refresh(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [router]);
  return (
    <p className="caption" role="status">
      {jobs === 1 ? '1 job is' : `${jobs} jobs are`} being worked out; filters know of them afterwards.
    </p>
  );
}
