'use strict'
/* Everything happens on this device: nothing is fetched and nothing is sent. */
const book = document.documentElement.dataset.book
const pages = [...document.querySelectorAll('.page')]
const looks = pages.filter((page) => page.dataset.look)
const said = document.getElementById('said')
const shelf = `lucid-swatch-book-${book}`
const read = () => {
  try {
    return JSON.parse(localStorage.getItem(shelf) || '[]')
  } catch {
    return []
  }
}
let worn = read()
const keep = () => {
  try {
    localStorage.setItem(shelf, JSON.stringify(worn))
  } catch {
    said.textContent = 'This device does not keep it: save the file before you close the book.'
  }
}

/* Search by piece, name and occasion. */
const search = document.getElementById('search')
const found = document.getElementById('found')
search.addEventListener('input', () => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  let count = 0
  for (const page of pages) {
    const told = (page.dataset.words || '').toLowerCase()
    const fits = words.every((word) => told.includes(word))
    page.hidden = words.length > 0 && !(page.dataset.look && fits)
    if (!page.hidden && page.dataset.look) count += 1
  }
  found.textContent = words.length ? `${count} of ${looks.length}` : ''
})

/* Keys and swipes go from page to page. */
const shown = () => pages.filter((page) => !page.hidden)
const place = () => {
  const top = 80
  const at = shown().findIndex((page) => page.getBoundingClientRect().bottom > top)
  return at < 0 ? shown().length - 1 : at
}
/* A page that was never seen is only then as high as it is: it is reached twice. */
const reach = (page) => {
  page.scrollIntoView({ block: 'start' })
  requestAnimationFrame(() => page.scrollIntoView({ block: 'start' }))
}
const go = (step) => {
  const some = shown()
  const to = some[Math.min(Math.max(place() + step, 0), some.length - 1)]
  if (to) reach(to)
}
document.addEventListener('click', (event) => {
  const link = event.target.closest('a[href^="#"]')
  const page = link && document.getElementById(link.getAttribute('href').slice(1))
  if (!page) return
  event.preventDefault()
  reach(page)
})
document.addEventListener('keydown', (event) => {
  if (/^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName) || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.key === 'ArrowRight' || event.key === 'n') go(1)
  else if (event.key === 'ArrowLeft' || event.key === 'p') go(-1)
  else if (event.key === '/') search.focus()
  else return
  event.preventDefault()
})
let from = null
document.addEventListener('touchstart', (event) => (from = event.touches.length === 1 ? event.touches[0] : null), {
  passive: true,
})
document.addEventListener(
  'touchend',
  (event) => {
    if (!from) return
    const to = event.changedTouches[0]
    const [across, down] = [to.clientX - from.clientX, to.clientY - from.clientY]
    from = null
    if (Math.abs(across) > 70 && Math.abs(across) > 2.5 * Math.abs(down)) go(across < 0 ? 1 : -1)
  },
  { passive: true },
)

/* What was worn, and how it felt. */
const today = () => {
  const now = new Date()
  const two = (number) => String(number).padStart(2, '0')
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`
}
const plural = (count) => (count === 1 ? '1 day' : `${count} days`)
function tell(page) {
  const own = worn.filter((one) => one.look === page.dataset.look)
  const last = own.map((one) => one.on).sort().pop()
  page.querySelector('.told').textContent = own.length ? `Worn on ${plural(own.length)}, last on ${last}.` : ''
  page.querySelector('.untick').hidden = !own.length
  document.getElementById('count').textContent = worn.length ? `${worn.length} ticked` : 'Nothing is ticked yet.'
  document.getElementById('save').disabled = !worn.length
}
for (const page of looks) {
  const open = page.querySelector('.open')
  const form = page.querySelector('form')
  open.addEventListener('click', () => {
    form.hidden = !form.hidden
    open.setAttribute('aria-expanded', String(!form.hidden))
    if (form.hidden) return
    form.elements.on.value ||= today()
    form.elements.on.max = today()
    form.elements.felt.focus()
  })
  form.addEventListener('submit', (event) => {
    event.preventDefault()
    const { on, felt, note } = form.elements
    const entry = { on: on.value, look: page.dataset.look, pieces: JSON.parse(page.dataset.pieces) }
    if (felt.value) entry.felt = felt.value
    if (note.value.trim()) entry.note = note.value.trim()
    worn = worn.filter((one) => !(one.look === entry.look && one.on === entry.on))
    worn.push(entry)
    keep()
    form.hidden = true
    form.reset()
    open.setAttribute('aria-expanded', 'false')
    open.focus()
    tell(page)
    said.textContent = `${page.dataset.name} is ticked for ${entry.on}.`
  })
  page.querySelector('.untick').addEventListener('click', () => {
    const own = worn.filter((one) => one.look === page.dataset.look)
    const last = own.sort((one, other) => (one.on < other.on ? -1 : 1)).pop()
    if (!last) return
    worn = worn.filter((one) => one !== last)
    keep()
    tell(page)
    said.textContent = `${page.dataset.name} is not ticked for ${last.on} any more.`
  })
  tell(page)
}
document.getElementById('save').addEventListener('click', () => {
  const told = { format: 'lucid-swatch/worn', version: 1, book, worn }
  const file = new Blob([JSON.stringify(told, null, 1)], { type: 'application/json' })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = `worn-${today()}.json`
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href), 1000)
  said.textContent = 'Saved. Send the file to your stylist.'
})
