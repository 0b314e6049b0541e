import { defineConfig } from 'vitest/config'

// The page's logic by itself: no browser, no server.
export default defineConfig({ test: { include: ['resources/js/**/*.test.ts'], environment: 'node' } })
