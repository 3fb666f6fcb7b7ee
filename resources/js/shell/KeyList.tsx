import { texts } from '@/messages'
import { useCommandStore } from '@/ui/commands'
import { Dialog } from '@/ui/Dialog'

/** One list of all keys. */
export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { all, singleKeys, setSingleKeys } = useCommandStore()
  const withKeys = [...all.values()].flat().filter((command) => command.keys)
  return (
    <Dialog open={open} onClose={onClose} title={texts.frame.keys} about={texts.frame.keysAbout} closeName={texts.frame.close}>
      <table className="w-full">
        <tbody>
          {withKeys.map((command) => (
            <tr key={command.id} className="border-hairline border-b">
              <th scope="row" className="py-1.5 text-left font-normal">
                {command.title}
              </th>
              <td className="py-1.5 text-right">
                <kbd className="rounded border border-edge px-1.5 text-caption">{command.keys}</kbd>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <label className="mt-4 flex items-center gap-2">
        <input type="checkbox" checked={singleKeys} onChange={(event) => setSingleKeys(event.target.checked)} />
        {texts.frame.singleKeys}
      </label>
    </Dialog>
  )
}
