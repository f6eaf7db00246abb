import type { WholeReview } from '@glossarion/core/review';
import { api } from '../../state/api';

/** What is asked to look back: entered in the table of questions once somebody does. */
const reviewQueries = api.injectEndpoints({
  endpoints: (build) => ({
    review: build.query<WholeReview, { period: string; today: string; weekBegins: number }>({
      query: ({ period, today, weekBegins }) => `/review/${period}?today=${today}&weekBegins=${weekBegins}`,
      providesTags: ['Outline', 'Titles', 'Links', 'Tasks', 'Kinds'],
    }),
  }),
});

export const { useReviewQuery } = reviewQueries;
