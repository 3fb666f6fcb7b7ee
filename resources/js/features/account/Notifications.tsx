import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { Link } from 'react-router'
import { notificationsQuery, readNotifications } from '@/api/account'
import { meQuery } from '@/api/queries'
import { moment } from '@/lib/format'
import { texts } from '@/messages'
import { Asked } from '@/ui/Asked'

/** What one was told; looking at it marks it as read. */
export function Notifications() {
  const client = useQueryClient()
  const list = useQuery(notificationsQuery)
  const { mutate } = useMutation({
    mutationFn: readNotifications,
    onSuccess: () => client.invalidateQueries({ queryKey: meQuery.queryKey }),
  })
  const hasUnread = list.data?.some((one) => one.read_at === null) ?? false
  useEffect(() => {
    if (hasUnread) mutate()
  }, [hasUnread, mutate])
  const words = texts.account.notifications
  return (
    <>
      <Asked query={list} />
      {list.data?.length === 0 ? <p>{words.none}</p> : null}
      <ul>
        {list.data?.map((one) => (
          <li key={one.id} className={`border-hairline border-b py-2 ${one.read_at === null ? 'font-semibold' : ''}`}>
            {one.link ? (
              <Link className="text-ink underline hover:text-accent" to={one.link}>
                {one.text}
              </Link>
            ) : (
              one.text
            )}
            {one.words ? <span className="block font-normal text-second">{words.wrote({ words: one.words })}</span> : null}
            <span className="block font-normal text-caption text-second">{moment(one.created_at)}</span>
          </li>
        ))}
      </ul>
    </>
  )
}
