export const help = `./pulpit test`;
export async function run(): Promise<number> {
  return 1;
}
