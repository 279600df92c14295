'use client';

export default function Failed({ error, reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto max-w-xl px-5 pt-24">
      <h1 className="text-4xl font-bold">This screen failed</h1>
      <p className="py-4 text-xl">
        Everything kept is on the server’s disk, and what was still being sent is held in this browser.{' '}
        {error.message}
      </p>
      <button type="button" className="solid" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
