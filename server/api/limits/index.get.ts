import { allEntries } from '../../database/library'
import { inParts } from '../../http/parts'

export default inParts(allEntries)
