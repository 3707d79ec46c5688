import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
  // the package names its development build for every browser; what is served is the other one
  resolve: {
    alias: { 'react-router': new URL('node_modules/react-router/dist/production/index.mjs', import.meta.url).pathname },
  },
  // the engine of the floor and other pieces are entries of their own, so that the tests run what was built
  plugins: [laravel({ input: ['web/main.tsx', 'web/parts/run/run.ts', 'web/apart.tsx'] }), react(), tailwindcss()],
  build: {
    rollupOptions: {
      preserveEntrySignatures: 'exports-only',
      // the first page names every file: seven letters of each tell builds apart as well as eight
      output: { entryFileNames: 'assets/[name]-[hash:7].js', chunkFileNames: 'assets/[name]-[hash:7].js' },
    },
  },
});
