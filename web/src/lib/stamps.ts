import { SURROUNDS, type Surround } from '@/theme'

/** Hooks and pinked edges as small pictures: a wall of hundreds of pieces draws each of them hundreds of times, and a
 * picture costs a fraction of a path or a gradient. */
export interface Stamps {
  hook: string
  teeth: string
}

const HOOK = { width: 12, height: 14 }
export const TOOTH = { width: 6.5, height: 8 }
const FINE = 4

export function drawStamps(surround: Surround): Stamps {
  const { cloth, 'on-cloth-soft': line } = SURROUNDS[surround]
  return {
    hook: picture(HOOK, (pen) => {
      pen.strokeStyle = line
      pen.lineWidth = 1.6
      pen.stroke(new Path2D('M2.6 4.4a3.4 3.4 0 1 1 4.6 3.1c-.8.3-1.2.8-1.2 1.6V13'))
    }),
    // in the colour of the room, which costs less to draw than a cut
    teeth: picture(TOOTH, (pen) => {
      pen.fillStyle = cloth
      pen.fill(
        new Path2D(
          `M0 ${TOOTH.height}V${TOOTH.height - TOOTH.width / 2}L${TOOTH.width / 2} ${TOOTH.height}L${TOOTH.width} ${TOOTH.height - TOOTH.width / 2}V${TOOTH.height}Z`,
        ),
      )
    }),
  }
}

function picture(
  { width, height }: { width: number; height: number },
  draw: (pen: CanvasRenderingContext2D) => void,
): string {
  const canvas = document.createElement('canvas')
  canvas.width = width * FINE
  canvas.height = height * FINE
  const pen = canvas.getContext('2d')
  if (!pen) return 'none'
  pen.scale(FINE, FINE)
  draw(pen)
  return `url("${canvas.toDataURL()}")`
}
