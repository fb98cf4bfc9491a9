import type { NextConfig } from 'next';

/**
 * The build goes to one of two folders, so that a new build never pulls the files from under a server
 * that still runs from the other one (see scripts/lib/build.ts).
 */
const config: NextConfig = {
  distDir: process.env.PULPIT_BUILD_DIR ?? '.build/a',
  poweredByHeader: false,
  reactStrictMode: true,
  serverExternalPackages: [
    'knex',
    'pg',
    '@node-rs/argon2',
    'mammoth',
    'docx',
    'pdfjs-dist',
    'sharp',
    'graphile-worker',
    'workerpool',
    '@aws-sdk/client-s3',
  ],
  // Its form for browsers asks the document, which a web worker does not have.
  turbopack: {
    resolveAlias: {
      'decode-named-character-reference': './node_modules/decode-named-character-reference/index.js',
    },
  },
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'X-Content-Type-Options', value: 'nosniff' },
        { key: 'Referrer-Policy', value: 'same-origin' },
        { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
      ],
    },
    {
      // Only what is made to stand in a frame may, and a player's frame, which is nobody's, is given what it asks for.
      source: '/:path((?!embeds/|media-site/).*)',
      headers: [
        { key: 'X-Frame-Options', value: 'DENY' },
        { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
      ],
    },
  ],
};

export default config;
