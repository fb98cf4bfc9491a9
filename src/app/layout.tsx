import '@fontsource-variable/hanken-grotesk/wght.css';
import '@fontsource-variable/literata/opsz.css';
import '@fontsource-variable/literata/opsz-italic.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { NONCE } from '@/runtime/peer';
import { EARLY } from '@/ui/frame/early';
import { EarlyFields } from '@/ui/frame/early-fields';
import { visitor } from './_request/session';

export const metadata: Metadata = {
  title: { default: 'Pulpit', template: '%s · Pulpit' },
  description: 'Weekly course discussions: what you owe, by when, what counted and why.',
};
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  themeColor: '#17493f',
  // Where a browser can, its keyboard makes the page smaller instead of covering it.
  interactiveWidget: 'resizes-content',
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Without a database the page below says so; its frame still stands.
  const { theme, clock } = (await visitor().catch(() => null)) ?? { theme: 'system', clock: '24' };
  return (
    <html lang="en-GB" data-theme={theme} data-clock={clock} suppressHydrationWarning>
      <head>
        {/* Tells the styles that scripts run: before that, and without them, every page stands open. */}
        <script
          nonce={(await headers()).get(NONCE) ?? undefined}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `document.documentElement.dataset.scripted='';${EARLY}` }}
        />
      </head>
      <body>
        {children}
        <EarlyFields />
      </body>
    </html>
  );
}
