// In the page itself, before the program is there: what is typed meanwhile is kept, and given to the field it was meant for.
;(() => {
  const typed = []
  const hear = event => {
    const elsewhere = document.activeElement && document.activeElement !== document.body
    if (elsewhere || !event.isTrusted || event.ctrlKey || event.metaKey || event.altKey || event.key.length !== 1) return
    typed.push({ key: event.key, at: event.timeStamp, repeat: event.repeat })
    event.preventDefault()
    event.stopImmediatePropagation()
  }
  addEventListener('keydown', hear, true)
  globalThis.typedEarly = {
    take: () => typed.splice(0),
    stop: () => removeEventListener('keydown', hear, true),
  }
})()
