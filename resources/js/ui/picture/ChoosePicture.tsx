import { ImagePlus } from 'lucide-react'
import { useState } from 'react'
import { fileTarget } from '@/lib/drag'
import { texts } from '@/messages'
import { Button } from '../Button'
import { useMediaDesk } from '../media'
import { measure, type PartPicture } from './picture'

const words = texts.picture

/** Asks for a picture of the bank; null when that was given up. What one shows is taken along from the library. */
export function useChoosePicture() {
  const desk = useMediaDesk()
  const made = async (file?: File): Promise<PartPicture | null> => {
    const medium = await desk?.picture(file)
    if (!desk || !medium) return null
    const size = medium.width && medium.height ? { width: medium.width, height: medium.height } : await measure(desk.address(medium.id))
    return { media: medium.id, alt: medium.alt ?? '', ...size }
  }
  return { isThere: desk !== null, choose: () => made(), upload: made }
}

/** Where there is no picture yet: choose one, or drop a file. */
export function ChoosePicture({ onPicture }: { onPicture: (picture: PartPicture) => void }) {
  const from = useChoosePicture()
  const [over, setOver] = useState(false)
  const take = (picture: PartPicture | null) => (picture ? onPicture(picture) : undefined)
  return (
    <div
      ref={fileTarget({
        onOver: () => setOver(true),
        onLeave: () => setOver(false),
        onDrop: (files) => {
          const [file] = files
          if (file) from.upload(file).then(take)
        },
      })}
      className={`m-3 flex min-h-44 flex-col items-center justify-center gap-2 rounded-ui border-2 border-dashed p-6 text-center ${over ? 'border-accent bg-accent-tint' : 'border-edge bg-well'}`}
    >
      <ImagePlus size={28} aria-hidden="true" className="text-quiet" />
      <p>{from.isThere ? words.dropHere : words.noLibrary}</p>
      <Button aria-disabled={!from.isThere} onClick={() => (from.isThere ? from.choose().then(take) : undefined)}>
        {words.choose}
      </Button>
    </div>
  )
}
