import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

// Nothing is inlined: the Content-Security-Policy of the server allows no inline script or style.
export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: { assetsInlineLimit: 0, modulePreload: { polyfill: false } },
});
