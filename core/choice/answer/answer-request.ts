import type { ChoiceRequest } from '../question/question'
import { choosePacks, type PackChoice } from './chooser/choose'
import { prepareDrawer, type PreparedDrawer } from './chooser/prepare'

/** Prepares the drawer and answers: for the server, the file evaluation and the worker. */
export const prepareRequest = (request: Pick<ChoiceRequest, 'drawer' | 'fitted' | 'response' | 'rules'>): PreparedDrawer =>
  prepareDrawer(request.drawer, request.fitted, request.response, request.rules)
export const answerRequest = (request: ChoiceRequest): PackChoice => choosePacks(prepareRequest(request), request.question)
