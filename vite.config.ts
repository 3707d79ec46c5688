import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
  // the engine of the floor and other pieces are entries of their own, so that the tests run what was built
  plugins: [laravel({ input: ['web/main.tsx', 'web/parts/run/run.ts', 'web/apart.tsx'] }), react(), tailwindcss()],
  build: { rollupOptions: { preserveEntrySignatures: 'exports-only' } },
});
