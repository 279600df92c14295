// Reads a database through and says what is damaged. Exits with 1 where something is, with 2 where it cannot be looked at.
import Database from 'better-sqlite3';

try {
  const db = new Database(process.argv[2], { readonly: true, fileMustExist: true });
  const said = db.pragma('quick_check(20)').map((row) => row.quick_check);
  if (said.length !== 1 || said[0] !== 'ok') {
    console.log(said.join('; ').slice(0, 2000));
    process.exit(1);
  }
} catch (error) {
  const isDamaged = /^SQLITE_(CORRUPT|NOTADB)/.test(error.code ?? '');
  console.log(error.message);
  process.exit(isDamaged ? 1 : 2);
}
