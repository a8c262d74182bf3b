import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const api = process.env.API_URL ?? 'http://127.0.0.1:4681';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // Lays the program into the browser; `offline/sw.ts` says how.
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      manifest: {
        name: 'Unruly Glimmer',
        short_name: 'Glimmer',
        description: 'Plan, reckon, build and test battery-powered light for props, costumes and models',
        start_url: '/',
        display: 'standalone',
        background_color: '#f5efe3',
        theme_color: '#f5efe3',
        icons: [{ src: '/bead.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      strategies: 'injectManifest',
      srcDir: 'offline',
      filename: 'sw.ts',
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
      },
    }),
  ],
  worker: { format: 'es' },
  build: { target: 'es2022', assetsInlineLimit: 0 },
  server: { host: '127.0.0.1', port: 4680, strictPort: true, proxy: { '/api': { target: api, changeOrigin: false } } },
});
