"""Writes one list of knives in the many ways in which kitchens keep one, with writers that are not ours.

Python's csv, openpyxl (Debian: python3-openpyxl) and LibreOffice (Debian: libreoffice-calc). Run from the root:
/usr/bin/python3 scripts/lists/make.py
The files are kept in server/exchange/lists and read by lists.test.ts there; names are made up.
"""

import csv
import io
import json
import shutil
import subprocess
import tempfile
from datetime import date, datetime
from pathlib import Path

from openpyxl import Workbook
from openpyxl.comments import Comment

OUT = Path(__file__).parents[2] / "server/exchange/lists"
TRUTH = [
    # label, kind as written, type, mm, station, holder, bought, price
    ("K1", "Chef's knife", "chef", 240, "Sauté", "Inês Prado", date(2024, 11, 3), 89.5),
    ("K2", "Paring knife", "paring", 90, "Sauté", "Jörg Lind", date(2024, 3, 25), 12.0),
    ("K3", "Bread knife", "bread", 250, "Pâtisserie", "", date(2023, 7, 1), 1234.5),
    ("K4", "Flexible boning", "boning-flexible", 150, "Butchery", "Ama Oduya", date(2025, 1, 14), 33.25),
    ("K5", "Turning knife", "turning", 70, "Sauté", "", date(2024, 6, 30), 9.9),
    ("K6", "Cleaver", "cleaver", 180, "Butchery", "Ama Oduya", date(2022, 12, 9), 75.0),
]
HEAD = ["Label", "Kind", "Length", "Station", "Held by", "Bought", "Price"]
KINDS = {
    "de": ["Kochmesser", "Schälmesser", "Brotmesser", "Ausbeinmesser flexibel", "Tourniermesser", "Hackbeil"],
    "fr": ["Couteau de chef", "Couteau d'office", "Couteau à pain", "Couteau à désosser souple", "Bec d'oiseau", "Feuille"],
    "es": ["Cuchillo de chef", "Puntilla", "Cuchillo de pan", "Deshuesador flexible", "Cuchillo de tornear", "Hachuela"],
    "it": ["Coltello da cuoco", "Spelucchino", "Coltello da pane", "Disosso flessibile", "Coltello per tornire", "Mannaia"],
    "pt": ["Faca de chef", "Faca de legumes", "Faca de pão", "Faca de desossar flexível", "Faca de tornear", "Cutelo"],
}
HEADS = {
    "de": ["Nr.", "Messerart", "Klingenlänge (mm)", "Posten", "Inhaber", "Gekauft am", "Preis"],
    "fr": ["N°", "Type de couteau", "Longueur de lame", "Poste", "Utilisateur", "Acheté le", "Prix"],
    "es": ["Código", "Tipo de cuchillo", "Longitud", "Partida", "Responsable", "Fecha de compra", "Precio"],
    "it": ["Codice", "Tipo di coltello", "Lunghezza", "Postazione", "Utente", "Data acquisto", "Prezzo"],
    "pt": ["Código", "Tipo de faca", "Comprimento", "Praça", "Responsável", "Comprado em", "Preço"],
}
manifest = []


def rows(kind=None, length=lambda mm: str(mm), day=lambda d: d.isoformat(), price=lambda p: f"{p:.2f}"):
    """The truth as one kitchen writes it."""
    return [
        [code, KINDS[kind][at] if kind else written, length(mm), station, holder, day(bought), price(paid)]
        for at, (code, written, _, mm, station, holder, bought, paid) in enumerate(TRUTH)
    ]


def note(name, **more):
    manifest.append({"file": name, **more})


def text(name, table, delimiter=",", encoding="utf-8", end="\r\n", before="", quoting=csv.QUOTE_MINIMAL, **more):
    out = io.StringIO()
    csv.writer(out, delimiter=delimiter, lineterminator=end, quoting=quoting).writerows(table)
    (OUT / name).write_bytes((before + out.getvalue()).encode(encoding))
    note(name, **more)


def book(name, table, change=lambda sheet, workbook: None, **more):
    workbook = Workbook()
    sheet = workbook.active
    sheet.title = "Knives"
    for row in table:
        sheet.append(row)
    change(sheet, workbook)
    workbook.save(OUT / name)
    note(name, **more)


def office(source, name, kind, **more):
    """The same file as LibreOffice writes it."""
    with tempfile.TemporaryDirectory() as folder:
        subprocess.run(
            ["soffice", "--headless", "--convert-to", kind, "--outdir", folder, str(OUT / source)],
            check=True,
            capture_output=True,
        )
        made = next(Path(folder).iterdir())
        shutil.move(made, OUT / name)
    note(name, **more)


OUT.mkdir(exist_ok=True)
for old in OUT.glob("*"):
    if old.suffix != ".ts":
        old.unlink()

plain = [HEAD, *rows()]
comma = lambda p: f"{p:.2f}".replace(".", ",")
# separators, encodings, line ends
text("comma.csv", plain)
text("semicolon-bom.csv", plain, ";", before="\ufeff")
text("tab.tsv", plain, "\t")
text("bar.txt", plain, "|")
text("sep-line.csv", plain, ";", before="sep=;\r\n")
text("utf16-bom.csv", plain, "\t", "utf-16")
text("utf16-be.csv", plain, ",", "utf-16-be", before="\ufeff")
text("utf16-bare.csv", plain, ";", "utf-16-le")
text("latin1.csv", plain, ";", "latin-1")
text("windows-1252.csv", [[c.replace("'", "’") for c in row] for row in plain], ";", "cp1252")
text("old-line-ends.csv", plain, end="\r")
text("unix-line-ends.csv", plain, end="\n")
text("all-quoted.csv", plain, quoting=csv.QUOTE_ALL)
# what stands around the table
text("titles.csv", [["Knives of the kitchen"], [], ["as counted in spring", "", "please keep up to date"], [], *plain])
text("blank-rows.csv", [plain[0], [], *[line for row in plain[1:] for line in (row, [""] * 7)]])
text("blank-columns.csv", [["", "", *row[:3], "", *row[3:]] for row in plain])
text("total-row.csv", [*plain, ["Total", "6"]])
text("repeated-header.csv", [*plain[:4], HEAD, *plain[4:]])
text("unit-row.csv", [HEAD, ["", "", "mm", "", "", "", "€"], *rows()])
text("more-columns.csv", [[*row, "x", "grey"] for row in plain], more=True)
text("shouting.csv", [["LABEL", "KNIFE_TYPE", "BLADE_LENGTH_MM", "SECTION", "HELD_BY", "BOUGHT_ON", "COST"], *rows()])
text("other-order.csv", [[row[at] for at in (6, 3, 5, 4, 2, 1, 0)] for row in plain])
# lengths
text("cm-cells.csv", [HEAD, *rows(length=lambda mm: f"{mm / 10:g} cm")])
text("cm-header.csv", [["Label", "Kind", "Length (cm)", *HEAD[3:]], *rows(length=lambda mm: f"{mm / 10:g}")])
text("cm-bare.csv", [HEAD, *rows(length=lambda mm: f"{mm / 10:g}")])
text("cm-decimal-comma.csv", [HEAD, *rows(length=lambda mm: f"{mm / 10:.1f} cm".replace(".", ","), price=comma)], ";")
text("mm-cells.csv", [HEAD, *rows(length=lambda mm: f"{mm}mm")])
text("inches.csv", [["Label", "Kind", "Length (in)", *HEAD[3:]], *rows(length=lambda mm: f"{mm / 25.4:.4f}")], about=True)
text("inch-marks.csv", [HEAD, *rows(length=lambda mm: f'{mm / 25.4:.2f}"')], about=True)
fraction = lambda mm: f"{int(mm / 25.4 * 2) // 2} {'1/2' if int(mm / 25.4 * 2) % 2 else ''}".strip() + " in"
text("inch-fractions.csv", [HEAD, *rows(length=fraction)], about=True)
# days, thousands
text("days-dmy.csv", [HEAD, *rows(day=lambda d: d.strftime("%d/%m/%Y"))])
text("days-mdy.csv", [HEAD, *rows(day=lambda d: d.strftime("%m/%d/%Y"))])
text("days-points.csv", [HEAD, *rows(day=lambda d: f"{d.day}.{d.month}.{d.year % 100:02}", price=comma)], ";")
text("days-words.csv", [HEAD, *rows(day=lambda d: d.strftime("%-d %b %Y"))])
text("days-american-words.csv", [HEAD, *rows(day=lambda d: d.strftime("%B %-d, %Y"))])
text("days-iso-times.csv", [HEAD, *rows(day=lambda d: f"{d.isoformat()}T00:00:00")])
text("thousands.csv", [HEAD, *rows(price=lambda p: f"€ {p:,.2f}".replace(",", "_").replace(".", ",").replace("_", "."))], ";")
# languages
for language in KINDS:
    table = [HEADS[language], *rows(language, day=lambda d: d.strftime("%d/%m/%Y"), price=comma)]
    text(f"{language}.csv", table, ";", "cp1252")
# what stands where
stations = list(dict.fromkeys(row[3] for row in rows()))
text(
    "headings.csv",
    [
        ["Label", "Kind", "Length", "Held by"],
        *[line for station in stations for line in ([station], *[[r[0], r[1], r[2], r[4]] for r in rows() if r[3] == station])],
    ],
    without=["bought"],
)
text("ditto.csv", [plain[0], *[[*row[:3], "〃" if at in (1, 5) else row[3], *row[4:]] for at, row in enumerate(rows()[:3] + [rows()[4]] + [rows()[3]] + [rows()[5]])]])
text("words.csv", [["Label", "Knife", "Where", "Who"], *[[r[0], f"{r[1]} {int(r[2]) / 10:g}cm", r[3], r[4]] for r in rows()]], without=["bought"])
text("vague-titles.csv", [["ID", "Blade", "Size", "Location", "Holder"], *[[*r[:2], f"{int(r[2]) / 10:g}", *r[3:5]] for r in rows()]], without=["bought"])
text("no-label.csv", [HEAD[1:], *[r[1:] for r in rows()]], labels=False)
text("no-header.csv", [[r[0], r[1], r[2], r[3]] for r in rows()], told={"columns": {"0": "code", "1": "type", "2": "length", "3": "station"}}, without=["holder", "bought"])
# spreadsheets
typed = [[r[0], r[1], int(r[2]), r[3], r[4], t[6], t[7]] for r, t in zip(rows(), TRUTH)]
book("plain.xlsx", [HEAD, *typed])


def titled(sheet, workbook):
    sheet.insert_rows(1, 3)
    sheet["A1"] = "Knives of the kitchen"
    sheet.merge_cells("A1:G1")
    sheet["A4"].comment = Comment("the label on the handle", "made up")
    sheet.freeze_panes = "A5"


book("titled.xlsx", [HEAD, *typed], titled)


def in_cm(sheet, workbook):
    for row in range(2, 8):
        cell = sheet.cell(row, 3)
        cell.value = cell.value / 10
        cell.number_format = '0.0" cm"'


book("cm-by-format.xlsx", [HEAD, *typed], in_cm)


def second(sheet, workbook):
    notes = workbook.create_sheet("Notes", 0)
    notes["A1"] = "Call the grinder on Monday"
    old = workbook.create_sheet("Old list")
    old.append(HEAD)
    old.append(["X9", "chef", 200, "Nowhere", "", None, None])
    old.sheet_state = "hidden"


book("second-sheet.xlsx", [HEAD, *typed], second)


def merged(sheet, workbook):
    sheet["D3"] = None
    sheet.merge_cells("D2:D3")
    sheet["D7"] = sheet["D5"].value


book("merged.xlsx", [HEAD, *typed], merged)
book("padded.xlsx", [HEAD, *[[at + 1, *row[1:]] for at, row in enumerate(typed)]], lambda sheet, _: [
    setattr(sheet.cell(row, 1), "number_format", "000") for row in range(2, 8)
], labels="padded")


def old_epoch(sheet, workbook):
    workbook.epoch = datetime(1904, 1, 1)


book("epoch-1904.xlsx", [HEAD, *typed], old_epoch)
book("formulas-bare.xlsx", [HEAD, *[[*row[:2], f"={row[2]}/1", *row[3:]] for row in typed]], problems=6)
office("formulas-bare.xlsx", "formulas.xlsx", "xlsx")
office("plain.xlsx", "office.ods", "ods")
office("titled.xlsx", "office.xls", "xls")
office("plain.xlsx", "office.xlsx", "xlsx")
office("plain.xlsx", "office-semicolon.csv", "csv:Text - txt - csv (StarCalc):59,34,ANSI,1")
office("cm-by-format.xlsx", "office-cm.ods", "ods")

truth = [
    {"code": c, "type": t, "length": mm, "station": s, "holder": h, "bought": b.isoformat()}
    for c, _, t, mm, s, h, b, _ in TRUTH
]
(OUT / "lists.json").write_text(json.dumps({"truth": truth, "files": manifest}, indent=1, ensure_ascii=False) + "\n")
print(len(manifest), "lists")

# a kitchen's own list of thirty, as its sous chef keeps it: for the test that moves a house in
KITCHEN = Path(__file__).parents[2] / "tests/e2e/files"
KITCHEN.mkdir(exist_ok=True)
own = Workbook()
first = own.active
first.title = "To do"
first["A1"] = "Call the grinder on Monday"
knives = own.create_sheet("Knives")
knives["A1"] = "Knives of the kitchen, counted in spring"
knives.merge_cells("A1:G1")
knives["A3"] = "checked by the sous chef"
kinds = [
    ("Chef's knife", 24), ("Chef's knife", 26), ("Paring knife", 9), ("Boning knife, flexible", 15),
    ("Slicing knife", 30), ("Bird's beak", 7), ("Bread knife", 25), ("Salmon knife", 30), ("Boning knife", 16), ("Cleaver", 18),
]
places = ["Sauce", "Garde manger", "Fish", "Butchery", "Pastry"]
cooks = ["Ines Prado", "Tom", "Jakub Lind", None, "Ama Oduya", "Noor"]
knives.append([])
knives.append(["No.", "Blade", "Size", "Where", "Who", "Since", "Paid", "Colour"])
for at in range(30):
    kind, cm = kinds[at % 10]
    if at == 3:
        kind = "Big grey thing"
    since = f"{at * 7 % 28 + 1:02}/{at % 12 + 1:02}/2024"
    paid = f"{40 + at},50" if at % 3 == 0 else None
    knives.append([f"#{at + 1}", kind, f"{cm} cm", places[at % 5], cooks[at % 6], since, paid, "grey"])
    if at == 14:
        knives.append([])
knives.append(["Total", 30])
own.save(KITCHEN / "thirty-knives.xlsx")
