// A spreadsheet with a dozen kinds of dirt, in the encoding of an older Windows.
const rows = [
  'Ref;First name;Surname;Mobile;E-mail;Stage;Value;Day;People;Owner;Opted in;Consent wording',
  'C-1;Ann;Osgood;07700 900501;ann@osgood.example;asked;£1.200,50;31/03/2026;12;Tom Reyes;yes;Yes, text me offers',
  "C-2;BERT;o'neil;+44 7700 900502;BERT@ONEIL.EXAMPLE ;Offered;980,00 £;1.4.2026;8;tom@osierquay.example;no;",
  "C-3; Cleo ;Ames;'07700900503;null;talked;;2026-04-02;N/A;Mira;;",
  'C-4;Dan;Ide;7.70090E+09;dan@ide.example;asked;300;3/4/26;4;Tom Reyes;;',
  'C-5;Eve;Lund;07700 900505;eve at lund;asked;450;04/04/2026;5;Tom Reyes;;',
  'C-6;Finn;Marsh;07700 900506;;bought;500;05/04/2026;6;Tom Reyes;;',
  'C-7;Gil;Nash;07700 900507;;asked;lots;06/04/2026;7;Tom Reyes;;',
  'C-8;Hope;Odell;07700 900508;;asked;600;31/02/2026;8;Tom Reyes;;',
  'C-9;Ivy;Park;07700 900509;;asked;700;08/04/2026;9;Tomas;;',
  'C-10;Jo;Quill;07700 900510;;asked;800;09/04/2026;10;Tom Reyes;;;extra;cell',
  ';Kit;Rowe;07700 900511;;asked;900;10/04/2026;11;Tom Reyes;;',
  "C-2;BERT;o'neil;+44 7700 900502;BERT@ONEIL.EXAMPLE ;Offered;980,00 £;1.4.2026;8;tom@osierquay.example;no;",
  '',
  'C-12;Lou;Sæther;07700 900512;;agreed;1000;11/04/2026;12;Nia;;',
];

export const dirty = Buffer.from(rows.join('\r\n'), 'latin1');
