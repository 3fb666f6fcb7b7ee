import { texts } from '@/messages'
import { type ScreenCommand, useCommandStore } from '@/ui/commands'
import { Dialog } from '@/ui/Dialog'

/** One list of all keys. */
export function KeyList({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { all, singleKeys, setSingleKeys } = useCommandStore()
  const withKeys = [...all.values()].flat().filter((command) => command.keys)
  const writing = withKeys.filter((one) => one.isKeyOnly)
  return (
    <Dialog open={open} onClose={onClose} title={texts.frame.keys} about={texts.frame.keysAbout} closeName={texts.frame.close}>
      <Keys commands={withKeys.filter((one) => !one.isKeyOnly)} />
      {writing.length > 0 ? (
        <>
          <h3 className="mt-5 mb-1 font-semibold">{texts.frame.groups.writing}</h3>
          <Keys commands={writing} />
        </>
      ) : null}
      <label className="mt-4 flex items-center gap-2">
        <input type="checkbox" checked={singleKeys} onChange={(event) => setSingleKeys(event.target.checked)} />
        {texts.frame.singleKeys}
      </label>
    </Dialog>
  )
}

function Keys({ commands }: { commands: ScreenCommand[] }) {
  return (
    <table className="w-full">
      <tbody>
        {commands.map((command) => (
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
  )
}
