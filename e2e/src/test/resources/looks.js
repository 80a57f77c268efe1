// What is wrong with how a page lies on the screen: what sticks out, what is cut, what is too small to read or to touch.
({ leastText, leastControl }) => {
  const wrong = []
  const width = document.documentElement.clientWidth
  const called = (element) =>
    `${element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent ?? '').trim().slice(0, 40)}”`
  const shown = (element) => {
    const box = element.getBoundingClientRect()
    const style = getComputedStyle(element)
    // what is there for the ear only is one pixel large
    return box.width > 1.5 && box.height > 1.5 && style.visibility !== 'hidden' && !element.closest('.sr-only')
  }
  const scrolls = (element) => {
    for (let each = element.parentElement; each && each !== document.body; each = each.parentElement) {
      const { overflowX } = getComputedStyle(each)
      if ((overflowX === 'auto' || overflowX === 'scroll') && each.scrollWidth > each.clientWidth) return true
    }
    return false
  }
  const own = (element) =>
    [...element.childNodes].some((node) => node.nodeType === Node.TEXT_NODE && node.textContent.trim() !== '')
  if (document.documentElement.scrollWidth > width + 1)
    wrong.push(`the page is ${document.documentElement.scrollWidth} px wide on ${width}`)
  const pen = document.createElement('canvas').getContext('2d')
  for (const element of document.body.querySelectorAll('*')) {
    if (!shown(element)) continue
    const box = element.getBoundingClientRect()
    const style = getComputedStyle(element)
    const drawing = element instanceof SVGElement
    if (own(element)) {
      if ((box.right > width + 1 || box.left < -1) && !scrolls(element))
        wrong.push(`${called(element)} sticks out, ${Math.round(box.left)} to ${Math.round(box.right)} of ${width}`)
      const scale = drawing ? Math.abs(element.getScreenCTM?.()?.d ?? 1) : 1
      const size = parseFloat(style.fontSize) * scale
      if (size < leastText) wrong.push(`${called(element)} is written ${size.toFixed(1)} px large`)
    }
    // drawings that are cut at their own edge
    const frame = drawing && element.tagName === 'text' ? element.ownerSVGElement : null
    if (frame && getComputedStyle(frame).overflow !== 'visible') {
      const edge = frame.getBoundingClientRect()
      if (box.left < edge.left - 1.5 || box.right > edge.right + 1.5)
        wrong.push(`${called(element)} is cut by its drawing`)
    }
    if (!drawing && style.overflowX === 'hidden' && element.scrollWidth > element.clientWidth + 1 && !element.closest('[data-may-cut]'))
      wrong.push(`${called(element)} is cut`)
    if (element.tagName === 'SELECT') {
      pen.font = `${style.fontWeight} ${style.fontSize} ${style.fontFamily}`
      const text = element.selectedOptions[0]?.textContent ?? ''
      const room = element.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight)
      if (pen.measureText(text).width > room + 2) wrong.push(`the choice “${text.slice(0, 40)}” is cut`)
    }
    if (leastControl > 0 && element.matches('button, select, summary, textarea, input, a[href], [role="button"]')) {
      // a link in a sentence is as tall as its line; a box to tick is touched by its label
      if (style.display === 'inline' || element.matches('[type="checkbox"], [type="radio"], [type="file"], [type="range"]')) continue
      const tall = Math.max(box.height, element.closest('label')?.getBoundingClientRect().height ?? 0)
      if (tall < leastControl - 0.5) wrong.push(`${called(element)} is ${tall.toFixed(0)} px tall to touch`)
    }
  }
  return [...new Set(wrong)]
}
