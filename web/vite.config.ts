import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { compression } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

/** Writes down which scripts, styles and fonts there are, for pages that fetch them ahead; what saving needs comes first. */
function partsList(): Plugin {
  return {
    name: 'parts-list',
    generateBundle(_options, bundle) {
      const writesPlans = (path: string) => {
        const part = bundle[path.slice(1)];
        return part?.type === 'chunk' && part.moduleIds.some((id) => id.includes('/core/src/paper/formats/'));
      };
      const urgency = (path: string) => (writesPlans(path) ? 0 : path.endsWith('.js') ? 1 : 2);
      const parts = Object.keys(bundle)
        .filter((name) => /\.(js|css|woff2?)$/.test(name))
        .map((name) => `/${name}`)
        .sort((a, b) => urgency(a) - urgency(b) || (a < b ? -1 : 1));
      this.emitFile({ type: 'asset', fileName: 'parts.json', source: JSON.stringify(parts) });
    },
  };
}

export default defineConfig({
  plugins: [
    react(),
    tailwind(),
    partsList(),
    // where the browser may keep the app (this computer, or HTTPS) it starts without the server; plans are kept by the app itself, never here
    VitePWA({
      strategies: 'generateSW',
      injectRegister: false,
      manifest: false,
      workbox: {
        globPatterns: ['**/*.{js,css,woff2,woff,svg}', 'index.html'],
        maximumFileSizeToCacheInBytes: 4_000_000,
        // a page comes from the server where that answers: an old page must not meet a new server
        navigateFallback: null,
        runtimeCaching: [
          {
            urlPattern: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api/'),
            handler: 'NetworkFirst',
            options: { cacheName: 'page', precacheFallback: { fallbackURL: 'index.html' } },
          },
        ],
        skipWaiting: true,
        clientsClaim: true,
        inlineWorkboxRuntime: true,
      },
    }),
    // once, when it is built, and not again for every browser that asks
    compression({ algorithms: ['gzip'], include: /\.(js|css|json|svg)$/, threshold: 1024, logLevel: 'silent' }),
  ],
  worker: { format: 'es', rolldownOptions: { checks: { pluginTimings: false } } },
  // makers see what a build says when they start the app: sizes are watched by the budgets of the engineering page, not here
  build: {
    target: 'es2022',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 4000,
    rolldownOptions: {
      checks: { pluginTimings: false },
      output: {
        chunkFileNames: ({ name }) =>
          name.startsWith('shared') ? 'assets/shared-[hash].js' : 'assets/[name]-[hash].js',
        codeSplitting: {
          // every file asked for costs the page some milliseconds: what the first page needs comes as one, and crumbs (bytes) are put together
          groups: [
            { name: 'first', tags: ['$initial'], priority: 2 },
            { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 3_000 },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4377', changeOrigin: true } } },
});
