import { randomUUID } from 'node:crypto'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { catalogueParts } from './scripts/catalogueParts.ts'

export default defineConfig({
  root: 'web',
  plugins: [
    vue(),
    catalogueParts(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'offline',
      filename: 'sw.ts',
      injectRegister: false,
      manifest: false,
      injectManifest: {
        rollupFormat: 'iife',
        // pages, letters and marks; pictures of the help come when they are looked at
        globPatterns: ['assets/*.{js,css,woff2,svg}', '*.{svg,png,webmanifest}'],
        maximumFileSizeToCacheInBytes: 8 * 1024 ** 2,
        // the page is made by the server, with its own nonce each time
        additionalManifestEntries: [{ url: '/app-shell', revision: randomUUID() }],
      },
    }),
    // once here, not with every request
    compression({ algorithms: ['gzip'], include: /\.(js|css|svg)$/ }),
  ],
  html: { cspNonce: 'YORVIK_NONCE' },
  define: {
    __VUE_OPTIONS_API__: true,
    __VUE_PROD_DEVTOOLS__: false,
    __VUE_I18N_FULL_INSTALL__: false,
    __VUE_I18N_LEGACY_API__: false,
    __INTLIFY_PROD_DEVTOOLS__: false,
  },
  build: {
    // the chart library comes in one piece, and only where a chart is
    chunkSizeWarningLimit: 1600,
    outDir: '../dist/web',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2022',
    // what the first screen needs comes in one piece: thirty small ones wait for each other
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'shell', tags: ['$initial'] }] } } },
  },
})
