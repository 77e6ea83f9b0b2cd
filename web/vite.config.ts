import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
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
