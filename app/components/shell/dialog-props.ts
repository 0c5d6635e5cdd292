/** What a dialog over the page is given. */
export interface DialogProps {
  readonly open: boolean
  readonly title: string
  readonly wide?: boolean
  /** where the focus begins; left out: at the first thing in it */
  readonly focus?: HTMLElement | null
}
