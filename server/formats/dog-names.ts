/** Dogs looked up by their name, as files name them; two of one name are told apart by their owners. */

export interface NamedDog {
  readonly id: string;
  readonly name: string;
  readonly owner: string;
}

const key = (text: string): string => text.trim().toLowerCase();

export class DogNames {
  private readonly byName = new Map<string, NamedDog[]>();

  constructor(dogs: readonly NamedDog[]) {
    for (const dog of dogs) {
      const same = this.byName.get(key(dog.name));
      if (same) same.push(dog);
      else this.byName.set(key(dog.name), [dog]);
    }
  }

  /** The one dog of a name, and of an owner where one is given; undefined where there is none, or more than one. */
  find(name: string, owner = ''): NamedDog | undefined {
    const same = this.byName.get(key(name)) ?? [];
    const theirs = key(owner) === '' ? same : same.filter((d) => key(d.owner) === key(owner));
    return theirs.length === 1 ? theirs[0] : undefined;
  }
}
