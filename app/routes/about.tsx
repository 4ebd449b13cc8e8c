export const meta = () => [{ title: "About · Daring Yard" }];

export default function About() {
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-6 pt-16 text-lg">
      <h1 className="text-3xl">Daring Yard</h1>
      <p>
        A PE teacher designs activities that children do at home, using what is in the house. Each child gets a card
        with distances in their own steps, plays it with a referee, and hands in the result.
      </p>
      <p>Children are known by a first name and an initial. There is no tracking, and no data goes to anyone else.</p>
      <p>
        <a className="btn" href="/">
          Go to the start
        </a>
      </p>
    </main>
  );
}
