/** Where the application is that this worker's tests look at. */
export const baseURL = process.env[`BASE_URL_${process.env.TEST_PARALLEL_INDEX ?? 0}`] ?? process.env.BASE_URL ?? 'http://127.0.0.1:8080'
