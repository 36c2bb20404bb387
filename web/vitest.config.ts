import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [svelte()],
  resolve: { conditions: ['browser'] },
  test: { environment: 'happy-dom', setupFiles: ['@testing-library/svelte/vitest'], include: ['src/**/*.test.ts'] },
});
