import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { booksOf, database } from '@/data';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Ossatura', template: '%s · Ossatura' },
  description: 'Frame inspection and repair: readings, sound edge, verdict, plates, welds',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

/** Which records this page is made from; a page about records that cannot be opened says so itself. */
function records(): string | undefined {
  try {
    return booksOf(database());
  } catch {
    return undefined;
  }
}

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get('ossatura-theme')?.value === 'dark' ? 'dark' : 'light';
  return (
    <html lang="en" data-theme={theme} data-records={records()}>
      <body>
        {children}
        <Toaster
          position="bottom-center"
          theme={theme}
          toastOptions={{ classNames: { toast: 'border-2!' } }}
        />
      </body>
    </html>
  );
}
