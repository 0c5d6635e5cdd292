// For `npm run mutants`: what only chooses between words is read by people, not by tests.
import { declareValuePlugin, PluginKind } from '@stryker-mutator/api/plugin'

export const WORDS = 'words'
const isText = node =>
  node.type === 'StringLiteral' || node.type === 'TemplateLiteral' || (node.type === 'ConditionalExpression' && isWords(node))
const isWords = ({ consequent, alternate }) => isText(consequent) && isText(alternate)

export const wordsAside = {
  /** The choice itself, and what is inside its words; what it chooses by counts where it is no part of it. */
  shouldIgnore: ({ node, parentPath }) =>
    (node.type === 'ConditionalExpression' && isWords(node)) || parentPath?.node.type === 'TemplateLiteral' ? WORDS : undefined,
}
export const strykerPlugins = [declareValuePlugin(PluginKind.Ignore, 'words-aside', wordsAside)]
