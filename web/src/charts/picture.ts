/** What a drawing takes from the page's styles, and must carry itself once it is a file. */
const CARRIED = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-opacity',
  'opacity',
  'font-size',
  'font-weight',
  'text-anchor',
  'dominant-baseline',
  'paint-order',
  'visibility',
  'display',
]

const FONT = 'Helvetica, Arial, sans-serif'
const HEAD = 34
const FOOT = 26
/** Dots of a picture for each of the drawing's units: sharp in print. */
const DOTS = 2

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('"', '&quot;')

/** How large a drawing is, by its own measure where it has one. */
function sizeOf(svg: SVGSVGElement) {
  const [, , width, height] = (svg.getAttribute('viewBox') ?? '').split(/[\s,]+/).map(Number)
  if (width && height) return { width, height }
  const box = svg.getBoundingClientRect()
  return { width: box.width || 600, height: box.height || 400 }
}

/**
 * A drawing of the page as a file of its own: what it is above it, units and day below, on white, with the colours that
 * the page gave it.
 */
export function standalone(svg: SVGSVGElement, title: string, foot: string) {
  const { width, height } = sizeOf(svg)
  const copy = svg.cloneNode(true) as SVGSVGElement
  const from = [svg, ...svg.querySelectorAll('*')]
  const to = [copy, ...copy.querySelectorAll('*')]
  from.forEach((element, i) => {
    const style = getComputedStyle(element)
    for (const name of CARRIED) {
      const value = style.getPropertyValue(name)
      if (value) to[i]!.setAttribute(name, value)
    }
    to[i]!.removeAttribute('class')
    to[i]!.removeAttribute('style')
  })
  copy.setAttribute('x', '0')
  copy.setAttribute('y', String(HEAD))
  copy.setAttribute('width', String(width))
  copy.setAttribute('height', String(height))
  const whole = height + HEAD + FOOT
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${whole}" viewBox="0 0 ${width} ${whole}" font-family="${FONT}">` +
    `<rect width="${width}" height="${whole}" fill="#ffffff"/>` +
    `<text x="8" y="21" font-size="16" font-weight="bold" fill="#14211e">${escaped(title)}</text>` +
    new XMLSerializer().serializeToString(copy) +
    `<text x="8" y="${whole - 9}" font-size="11" fill="#4b5a55">${escaped(foot)}</text></svg>`
  )
}

/** A drawing as a picture of dots. */
export async function png(drawing: string): Promise<Blob> {
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(drawing)}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = image.naturalWidth * DOTS
  canvas.height = image.naturalHeight * DOTS
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png'),
  )
}
