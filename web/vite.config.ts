import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const GREEN = '#4f7345';
const GROUND = '#eef1ea';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'sw.ts',
      injectRegister: null,
      injectManifest: {
        globPatterns: ['**/*.{html,js,css,woff2,svg,png,wasm}'],
        maximumFileSizeToCacheInBytes: 8 * 1024 * 1024,
      },
      manifest: {
        name: 'Fennot',
        short_name: 'Fennot',
        description: 'Plan crocheted bags, and make them with the plan beside the hook.',
        start_url: '/',
        display: 'standalone',
        theme_color: GREEN,
        background_color: GROUND,
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
    }),
  ],
  // Everything comes as a file of its own: the page's policy lets nothing in that is written into another.
  build: { target: 'es2022', assetsInlineLimit: 0 },
  // In `./fennot dev` the API runs beside Vite.
  server: {
    proxy: {
      // Asked by the page's own name: the server takes changes from its own page alone.
      '/api': { target: process.env.FENNOT_API ?? 'http://127.0.0.1:4681', changeOrigin: false },
    },
  },
});
