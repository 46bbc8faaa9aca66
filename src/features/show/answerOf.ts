/** The JSON of an answer of our own server, which checks nothing twice. */
export async function answerOf<Answer>(response: Response): Promise<Answer> {
  return (await response.json()) as Answer;
}
