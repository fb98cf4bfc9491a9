import type { MetadataRoute } from 'next';
import { newOutsideAt, nextAt, sharedToAt, weekAt } from '@/contract/addresses';

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
    shortcuts: [
      { name: 'What is due next', url: nextAt(), description: 'Opens what is owed first' },
      { name: 'This week', url: weekAt() },
      { name: 'Bring in a discussion', url: newOutsideAt() },
    ],
    share_target: {
      // Never reaches the server: the worker keeps what is shared on the device, and the page asks what it is.
      action: sharedToAt(),
      method: 'POST',
      enctype: 'multipart/form-data',
      params: {
        title: 'title',
        text: 'text',
        url: 'url',
        files: [
          {
            name: 'file',
            accept: [
              'text/html',
              'text/plain',
              'text/markdown',
              'message/rfc822',
              'multipart/related',
              'application/pdf',
              '.html',
              '.mhtml',
              '.eml',
              '.docx',
              '.odt',
              '.ics',
            ],
          },
        ],
      },
    },
    icons: [
      { src: '/icons/pulpit-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/pulpit-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/pulpit-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
