import { defineConfig } from 'vite'

// One file that Node runs beside PHP, with all that it needs in it.
export default defineConfig({
    publicDir: false,
    ssr: { noExternal: true },
    build: { ssr: 'resources/js/server/engrave.ts', outDir: 'bootstrap/engraver', emptyOutDir: true, chunkSizeWarningLimit: 20000, rollupOptions: { output: { entryFileNames: 'engrave.mjs' } } },
})
