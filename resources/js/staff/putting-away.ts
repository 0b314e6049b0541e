import { ElMessageBox } from 'element-plus'

/**
 * Asked where somebody else would notice: students' links show nothing while what they lead to is put away.
 *
 * @param links how many are open; null where nobody counted
 */
export async function sureToPutAway(name: string, links: number | null): Promise<boolean> {
    if (links === 0) {
        return true
    }
    const which = links === null ? 'Student links to it show' : links === 1 ? 'The student link to it shows' : `The ${links} student links to it show`
    const words = `${which} nothing while it is put away. They work again when you bring it back.`
    return ElMessageBox.confirm(words, `Put “${name}” away?`, { confirmButtonText: 'Put it away', cancelButtonText: 'Keep it here' }).then(
        () => true,
        () => false,
    )
}
