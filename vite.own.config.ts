import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

// one script and one style sheet, fonts within, that PHP writes into a client's own page
export default defineConfig({
  plugins: [react(), tailwindcss()],
  publicDir: false,
  build: {
    outDir: 'public/build/own',
    assetsInlineLimit: 1_000_000,
    cssCodeSplit: false,
    rollupOptions: {
      input: 'web/own/main.tsx',
      output: { format: 'iife', entryFileNames: 'own.js', assetFileNames: 'own.[ext]' },
    },
  },
});
