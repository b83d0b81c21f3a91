import { QueryClient, useInfiniteQuery, useMutation, useQuery } from '@tanstack/react-query';
import { problemOf, sentenceOf } from './error-sentence.ts';
import { getJson } from './http.ts';
import { useSession } from './session.ts';

/** What the server said, by who is signed in and its address. A request is not repeated by itself: a person sees why it failed. */
const queries = new QueryClient({
  defaultOptions: {
    queries: { retry: false, networkMode: 'always', refetchOnWindowFocus: false },
    mutations: { retry: false, networkMode: 'always' },
  },
});

/** Forgets everything that the server said. */
export const clearServerState = (): void => queries.clear();

const useKey = (path: string) => [useSession((state) => state.session?.member?.id ?? ''), path];

export interface ServerState<T> {
  readonly data: T | null;
  /** Why it could not be read. */
  readonly problem: string | null;
  readonly refresh: () => void;
}

/** What is at an address of the API. */
export function useServer<T>(path: string, { isOn = true } = {}): ServerState<T> {
  const { data, error, refetch } = useQuery({ queryKey: useKey(path), queryFn: () => getJson<T>(path), enabled: isOn }, queries);
  return { data: data ?? null, problem: error && sentenceOf(error), refresh: () => void refetch() };
}

/** A list that the server gives page after page; `next` is the address of the page after, null after the last. */
export function useServerPages<T>(path: string, next: (page: T) => string | null) {
  const { data, error, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery(
    {
      queryKey: useKey(path),
      queryFn: ({ pageParam }) => getJson<T>(pageParam),
      initialPageParam: path,
      getNextPageParam: next,
    },
    queries,
  );
  return {
    pages: data?.pages ?? [],
    problem: error && sentenceOf(error),
    more: hasNextPage ? () => void fetchNextPage() : null,
    isLoading: isFetchingNextPage,
  };
}

/** Sends something; then everything at addresses that begin with one of `changes` is read again. */
export function useSend<V, R>(send: (value: V) => Promise<R>, changes: readonly string[] = []) {
  const { mutate, mutateAsync, error, isPending } = useMutation(
    {
      mutationFn: send,
      onSuccess: () =>
        queries.invalidateQueries({
          predicate: ({ queryKey }) => changes.some((path) => String(queryKey[1]).startsWith(path)),
        }),
    },
    queries,
  );
  return {
    send: mutate,
    sendAsync: mutateAsync,
    problem: error && problemOf(error),
    sentence: error && sentenceOf(error),
    isSending: isPending,
  };
}
