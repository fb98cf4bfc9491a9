import type { MetadataRoute } from 'next';
import { weekAt } from '@/contract/addresses';

/** What makes Pulpit an application on a device (Web Application Manifest). */
export default function manifest(): MetadataRoute.Manifest {
  return {
    id: weekAt(),
    name: 'Pulpit',
    short_name: 'Pulpit',
    description: 'Weekly course discussions: what you owe, by when, what counted and why.',
    start_url: weekAt(),
    scope: weekAt(),
    display: 'standalone',
    background_color: '#e8e5da',
    theme_color: '#17493f',
    icons: [
      { src: '/icons/pulpit-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/pulpit-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/pulpit-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
