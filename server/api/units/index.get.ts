import { allUnits } from '../../database/units'
import { inParts } from '../../http/parts'

export default inParts(allUnits)
