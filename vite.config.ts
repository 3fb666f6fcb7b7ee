import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vitest/config'
import { messages } from './resources/js/messages/vitePlugin.ts'

// Component tests need no entry points, and the Laravel plugin refuses to start a server where CI is set.
const input = ['resources/css/app.css', 'resources/js/early.ts', 'resources/js/app.tsx']
const entries = process.env.VITEST ? [] : [laravel({ input, refresh: false })]

/**
 * What every screen needs comes in one file, and what lists of questions share in another: as some seventy of a kilobyte each they kept
 * the first screen of a bank waiting, since every request costs both sides something.
 */
const ofLists = new RegExp(
  [
    'resources/js/api/(acts|actions|client|get|order|queries|question|searches|standards)\\.ts',
    'resources/js/(browse|question/details)/(?!TreeDialog\\.|UsesDialog|GroupedRows)',
    'resources/js/bulk/useAct',
    'resources/js/lib/(drag|echoes|format|groupBy|lazily|lazyAgain|storage|use(Address|DebouncedValue|Selection|Steady|Wide))\\.',
    'resources/js/ui/tree/(Tree|TreeRows|Twisty|items|typeAhead|useTreeModel)\\.',
    'resources/js/ui/(Asked|Chip|Field|ListAndReading|MoreButton|Panes|Strata|Tabs|Tick|VirtualRows)\\.',
    'lucide-react/dist/esm/icons/',
  ].join('|'),
)

/** What asks for the data of the first screen, while everything else is still being fetched. */
const ofEarly = /resources\/js\/(early|screens|api\/(early|get))\.ts/

/** Tests that replace modules, or depend on what is loaded. */
const alone = 'resources/js/**/*.alone.test.{ts,tsx}'

export default defineConfig({
  plugins: [...entries, messages(), react(), tailwindcss()],
  resolve: { alias: { '@': new URL('./resources/js', import.meta.url).pathname } },
  build: {
    sourcemap: false,
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'early', test: ofEarly, priority: 3 },
            { name: 'base', tags: ['$initial'], priority: 2 },
            { name: 'list', test: ofLists, minShareCount: 2, priority: 1 },
          ],
        },
      },
    },
  },
  test: {
    // A page is only made for those that look at one: making it takes longer than most tests. Loading the modules takes longer still,
    // so files share them; those that replace some (`vi.mock`), or depend on what is loaded, have their own.
    environment: 'node',
    setupFiles: ['resources/js/test-setup.ts'],
    restoreMocks: true,
    unstubGlobals: true,
    projects: [
      { extends: true, test: { name: 'logic', include: ['resources/js/**/*.test.ts'], exclude: [alone], isolate: false } },
      {
        extends: true,
        test: { name: 'screen', include: ['resources/js/**/*.test.tsx'], exclude: [alone], isolate: false, environment: 'jsdom' },
      },
      { extends: true, test: { name: 'alone', include: [alone], environment: 'jsdom' } },
    ],
    // A machine busy with the other groups of tests may take its time.
    testTimeout: 60_000,
  },
})
