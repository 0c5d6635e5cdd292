import { allGauges } from '../../database/gauges'
import { inParts } from '../../http/parts'

export default inParts(allGauges)
