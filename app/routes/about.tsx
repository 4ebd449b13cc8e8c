export const meta = () => [{ title: "About · Daring Yard" }];

export default function About() {
  return (
    <main className="mx-auto grid max-w-xl gap-4 p-6 pt-16 text-lg">
      <h1 className="text-3xl">Daring Yard</h1>
      <p>
        A physical education teacher designs activities that children do at home, with what the house has. Each child
        gets a card with the distances in its own steps, plays it with a referee, and hands it in.
      </p>
      <p>Children are known by a first name and an initial. There is no tracking, and nothing goes to anybody else.</p>
      <p>
        <a className="btn" href="/">
          To the start
        </a>
      </p>
    </main>
  );
}
