/** MathML as rich text keeps it (core: Content\AllowList::MATHS). */
export const mathElements = [
  ...['math', 'semantics', 'annotation', 'mrow', 'mi', 'mn', 'mo', 'ms', 'mtext', 'mspace', 'mstyle', 'mpadded', 'mphantom', 'merror'],
  ...['mfrac', 'msqrt', 'mroot', 'msub', 'msup', 'msubsup', 'munder', 'mover', 'munderover', 'mmultiscripts', 'mprescripts'],
  ...['mtable', 'mtr', 'mtd'],
]
