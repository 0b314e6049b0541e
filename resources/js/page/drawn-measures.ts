/** Which drawn measure each measure of the music is: several that are one counted block are drawn as one. */
export function drawnMeasures(music: string): number[] {
    const made: number[] = []
    let drawn = -1
    let left = 0
    for (const measure of music.split(/<measure[\s>]/).slice(1)) {
        drawn += left > 0 ? 0 : 1
        made.push(drawn)
        left = Math.max(0, left - 1, Number(/<multiple-rest[^>]*>(\d+)</.exec(measure)?.[1] ?? 0) - 1)
    }
    return made
}
