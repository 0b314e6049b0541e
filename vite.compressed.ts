import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Plugin } from 'vite'

/** What is smaller when compressed lies compressed beside itself: it is done once, not with every answer. */
export function compressed(): Plugin {
    let folder = ''
    return {
        name: 'compressed',
        apply: 'build',
        configResolved: (config) => void (folder = join(config.root, config.build.outDir, config.build.assetsDir)),
        closeBundle() {
            for (const name of readdirSync(folder).filter((one) => /\.(js|css|wasm|svg|ttf)$/.test(one))) {
                const file = join(folder, name)
                if (statSync(file).size > 1024) {
                    writeFileSync(`${file}.gz`, gzipSync(readFileSync(file), { level: 9 }))
                }
            }
        },
    }
}
