import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { target: 'es2022' },
  // In `./fennot dev` the API runs beside Vite.
  server: { proxy: { '/api': process.env.FENNOT_API ?? 'http://127.0.0.1:4681' } },
});
