'use client';

import { useRouter } from 'next/navigation';
import { useEffect } from 'react';

const AGAIN_MS = 1500;

/** Asks for the page again while lines on it are being worked out. */
export function StillWorking({ jobs }: { jobs: number }) {
  const router = useRouter();
  useEffect(() => {
    // A page asked for anew out of reach of the server is gone, and what is being typed on it: first whether it answers.
    const again = () =>
      fetch('/manifest.webmanifest', { method: 'HEAD', cache: 'no-store' }).then(
        () => router.refresh(),
        () => undefined,
      );
    const timer = setInterval(() => void again(), AGAIN_MS);
    return () => clearInterval(timer);
  }, [router]);
  return (
    <p className="caption" role="status">
      {jobs === 1 ? '1 job is' : `${jobs} jobs are`} being worked out; filters know of them afterwards.
    </p>
  );
}
