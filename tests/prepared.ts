import { prepareDatabases } from '../server/database/from-source'

// Once, before the workers: a database in memory is unpacked from then on.
export default prepareDatabases
