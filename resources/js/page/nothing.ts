/** Stands for what a library could use and we do not (vite.config.ts). */
export default null
