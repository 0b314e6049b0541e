/** “4 min 30 s”. */
export function timeOf(seconds: number): string {
    const minutes = Math.floor(seconds / 60)
    return [minutes > 0 ? `${minutes} min` : '', seconds % 60 > 0 || minutes === 0 ? `${seconds % 60} s` : ''].filter(Boolean).join(' ')
}
