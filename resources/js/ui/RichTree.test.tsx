import { render } from '@testing-library/react'
import { expect, it } from 'vitest'
import { RichTree } from './RichTree'

it('draws what is allowed and nothing else, whatever it is sent', () => {
  const { container } = render(
    <RichTree
      nodes={[
        ['p', { onclick: 'alert(1)', style: 'position:fixed', lang: 'fr' }, 'one ', ['strong', {}, 'two']],
        ['script', {}, 'alert(1)'],
        ['iframe', { src: 'https://evil.example' }],
        ['p', {}, '<b>not markup</b>'],
      ]}
    />,
  )
  expect(container.innerHTML).toBe('<p lang="fr">one <strong>two</strong></p><p>&lt;b&gt;not markup&lt;/b&gt;</p>')
})

it('shows the name of a value that no roll has filled', () => {
  const { container } = render(<RichTree nodes={[['p', {}, 'an area of ', ['var', { 'data-value': 'a' }], ' m²']]} />)
  expect(container.textContent).toBe('an area of a m²')
})

it('puts parts at their anchors, and draws formulas as elements', () => {
  const { container } = render(
    <RichTree
      nodes={[
        ['p', {}, 'x ', ['span', { 'data-part': 'p1' }], ['math', {}, ['mi', {}, 'x']]],
        ['div', { 'data-part': 'p2' }],
      ]}
      part={(id) => <i>{id}</i>}
    />,
  )
  expect(container.innerHTML).toBe('<p>x <i>p1</i><math><mi>x</mi></math></p><i>p2</i>')
})
