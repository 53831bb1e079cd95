import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
    plugins: [react(), tailwindcss()],
    build: { outDir: '../public/build', emptyOutDir: true, assetsInlineLimit: 0 },
    test: { include: ['src/**/*.test.ts'] },
});
