import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vitest/config'
import { messages } from './resources/js/messages/vitePlugin.ts'

// Component tests need no entry points, and the Laravel plugin refuses to start a server where CI is set.
const input = ['resources/css/app.css', 'resources/js/early.ts', 'resources/js/app.tsx']
const entries = process.env.VITEST ? [] : [laravel({ input, refresh: false })]

export default defineConfig({
  plugins: [...entries, messages(), react(), tailwindcss()],
  resolve: { alias: { '@': new URL('./resources/js', import.meta.url).pathname } },
  build: { sourcemap: false },
  test: {
    // A page is only made for those that look at one: making it takes longer than most tests.
    environment: 'node',
    projects: [
      { extends: true, test: { name: 'logic', include: ['resources/js/**/*.test.ts'] } },
      {
        extends: true,
        test: { name: 'screen', include: ['resources/js/**/*.test.tsx'], environment: 'jsdom', setupFiles: ['resources/js/test-setup.ts'] },
      },
    ],
    // A machine busy with the other groups of tests may take its time.
    testTimeout: 60_000,
  },
})
