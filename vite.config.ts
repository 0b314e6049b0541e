import vue from '@vitejs/plugin-vue'
import laravel from 'laravel-vite-plugin'
import { defineConfig } from 'vite'

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/js/main.ts', 'resources/js/student.ts'], refresh: false }),
        vue(),
    ],
    // The engraver carries its WebAssembly inside its script, in a worker of its own.
    worker: { format: 'es' },
    // A data: address for a font would be refused by our content security policy.
    build: { chunkSizeWarningLimit: 9000, assetsInlineLimit: 0 },
})
