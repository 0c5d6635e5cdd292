// In the page itself, before the program is there: what is typed meanwhile is kept, and given to the field it was meant for.
;(() => {
  let typed = ''
  const hear = event => {
    const elsewhere = document.activeElement && document.activeElement !== document.body
    if (elsewhere || !event.isTrusted || event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return
    typed += event.key
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  addEventListener('keydown', hear, true)
  globalThis.typedEarly = {
    take(count) {
      const taken = typed.slice(0, count)
      typed = typed.slice(taken.length)
      return taken
    },
    stop: () => removeEventListener('keydown', hear, true),
  }
})()
