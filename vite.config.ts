import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'
import { compressed } from './vite.compressed'
import { engraverApart } from './vite.engraver'
import { smallFonts } from './vite.fonts'

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/js/main.ts', 'resources/js/student.ts'], refresh: false }),
        vue(),
        smallFonts(),
        compressed(),
    ],
    // What jsPDF would fetch to print HTML: we print our own drawings only.
    resolve: { alias: Object.fromEntries(['html2canvas', 'canvg', 'dompurify'].map((name) => [name, fileURLToPath(new URL('resources/js/page/nothing.ts', import.meta.url))])) },
    // The engraver works in a worker of its own.
    worker: { format: 'es', plugins: () => [engraverApart()] },
    // A data: address for a font would be refused by our content security policy.
    build: { chunkSizeWarningLimit: 9000, assetsInlineLimit: 0 },
})
