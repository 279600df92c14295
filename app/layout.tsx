import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { Toaster } from 'sonner';
import { booksOf, database } from '@/data';
import { Offline } from './_offline/offline';
import { Heard } from './_parts/heard';
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

/** The nonce this page's scripts carry, from its own policy. */
const nonce = async (): Promise<string | undefined> =>
  /'nonce-([^']+)'/.exec((await headers()).get('content-security-policy') ?? '')?.[1];

/** Light or dark as the device is, until somebody chooses; before anything is painted. */
const AS_THE_DEVICE = `if (matchMedia('(prefers-color-scheme: dark)').matches) document.documentElement.dataset.theme = 'dark';`;
const AsTheDevice = ({ nonce }: { nonce: string | undefined }) => (
  <head>
    <script nonce={nonce} dangerouslySetInnerHTML={{ __html: AS_THE_DEVICE }} />
  </head>
);

export default async function RootLayout({ children }: { children: ReactNode }) {
  const chosen = (await cookies()).get('ossatura-theme')?.value;
  const theme = chosen === 'dark' || chosen === 'light' ? chosen : undefined;
  return (
    <html lang="en" data-theme={theme ?? 'light'} data-records={records()} suppressHydrationWarning>
      {theme === undefined && <AsTheDevice nonce={await nonce()} />}
      <body>
        <a
          href="#main"
          className="solid fixed left-2 top-2 z-50 -translate-y-24 focus:translate-y-0 print:hidden"
        >
          Skip to the work
        </a>
        <Heard>{children}</Heard>
        <Offline />
        <Toaster
          position="bottom-center"
          theme={theme ?? 'system'}
          toastOptions={{ classNames: { toast: 'border-2!' } }}
        />
      </body>
    </html>
  );
}
