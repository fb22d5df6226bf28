import { expect, it, vi } from 'vitest'
import { keptShelf } from './keptShelf.ts'

const kept = (id: string, version: number) => ({ id, version, updatedAt: '', name: id })

it('what is written is added, what is changed is changed on its version, and the list is read anew', async () => {
  const shelf = {
    list: vi.fn().mockResolvedValue([kept('a', 3)]),
    add: vi.fn().mockResolvedValue(undefined),
    change: vi.fn().mockResolvedValue(undefined),
    remove: vi.fn().mockResolvedValue(undefined),
  }
  const { list, load, keep, remove } = keptShelf<{ name: string }, { id: string; name: string }>(shelf)
  expect(list.value).toEqual([])
  await load()
  const [a] = list.value
  await keep({ name: 'b' }, null)
  expect(shelf.add).toHaveBeenCalledWith({ name: 'b' })
  await keep({ name: 'c' }, a!)
  expect(shelf.change).toHaveBeenCalledWith('a', 3, { name: 'c' })
  await remove(a!)
  expect(shelf.remove).toHaveBeenCalledWith('a', 3)
  expect(shelf.list).toHaveBeenCalledTimes(4)
  // Refused, nothing is read: the list stays as it was.
  shelf.change.mockRejectedValueOnce(new Error('stale'))
  await expect(keep({ name: 'd' }, a!)).rejects.toThrow('stale')
  expect(shelf.list).toHaveBeenCalledTimes(4)
})
