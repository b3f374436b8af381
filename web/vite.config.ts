import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import license from 'rollup-plugin-license';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { FrameShape } from './src/shell/FrameShape.tsx';

/** A hash of every source file of the contract and of core, which declares the nouns: what was kept on a device under another one is read anew. */
function contractHash(): string {
  const hash = createHash('sha256');
  for (const folder of ['../contract/src', '../core/src']) {
    const path = join(import.meta.dirname, folder);
    const files = readdirSync(path, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.ts'));
    for (const file of files.sort()) hash.update(readFileSync(join(path, file)));
  }
  return hash.digest('hex').slice(0, 16);
}

const require = createRequire(import.meta.url);

/** The typefaces come in by their style sheets, so that they are named here. */
const FONTS = ['next', 'mono'].map((font) => {
  const name = `@fontsource/atkinson-hyperlegible-${font}`;
  return `Name: ${name}\n\n${readFileSync(join(dirname(require.resolve(`${name}/package.json`)), 'LICENSE'), 'utf8')}`;
});

/** The frame stands in the page itself: on a slow line there is something to see before any script has come. */
const frameFirst: Plugin = {
  name: 'frame-first',
  transformIndexHtml: (html) =>
    html.replace(
      '<div id="root"></div>',
      `<div id="frame">${renderToStaticMarkup(createElement(FrameShape))}</div><div id="root"></div>`,
    ),
};

export default defineConfig({
  // Everything is found from where the pages stand, so that a proxy may serve them under a path.
  base: './',
  define: { __CONTRACT__: JSON.stringify(contractHash()) },
  plugins: [
    react(),
    tailwindcss(),
    frameFirst,
    // The licences of what the pages are made of stand beside them.
    license({
      thirdParty: {
        output: {
          file: join(import.meta.dirname, 'dist/licences.txt'),
          template: (libraries) =>
            [...FONTS, ...libraries.map((library) => library.text())].join('\n\n---\n\n'),
        },
      },
    }),
    compression({
      include: /\.(js|css|svg)$/,
      threshold: 500,
      algorithms: ['gzip', 'brotliCompress'],
    }),
    // The pages themselves are kept on the device, so that the stove opens without its server; the API never is.
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: 'index.html',
        navigateFallbackDenylist: [/\/api\//, /\.(txt|crt)$/],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
      manifest: {
        name: 'Inch Pantry',
        short_name: 'Inch Pantry',
        description: 'Plan, make, measure, label and trace bottled syrups, shrubs and cordials.',
        display: 'standalone',
        start_url: './',
        scope: './',
        background_color: '#EFF3F2',
        theme_color: '#1E40AF',
      },
      // Drawn from icon.svg at the build, in the sizes that phones and tablets ask for.
      pwaAssets: { preset: 'minimal-2023', image: 'public/icon.svg', injectThemeColor: false },
    }),
  ],
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  build: {
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      // What the first page needs comes in one piece, and what screens share in few: on a slow line every further piece waits its turn.
      output: {
        // Pieces that several screens share are put together by size: modules run in their own order all the same.
        strictExecutionOrder: true,
        chunkFileNames: ({ name }) => `assets/${name.split('~')[0]}-[hash].js`,
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], priority: 1 },
            { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 25_000 },
          ],
        },
      },
    },
  },
  // The server takes what is written from its own pages alone, so they keep the host by which they were asked for.
  server: {
    proxy: { '/api': { target: process.env.INCH_API ?? 'http://127.0.0.1:4870', changeOrigin: false } },
  },
});
