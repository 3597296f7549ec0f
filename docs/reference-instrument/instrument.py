#!/usr/bin/env python3
"""A small instrument that Rovek loads and reads back, written from docs/link.md and docs/field-package alone.

    python3 instrument.py --memory DIRECTORY [--port 5025] [--serial R-1] [--pass-code 4711]

It says "listening on PORT", keeps its files in the directory, and obeys words on its standard input: "walk" measures every
stop of the loaded route, "loose LABEL" takes one reading that no stop asked for, "quit" ends it. What it measures is made up:
a vibration stop sees a tone of 50 Hz, a gauge shows 3.5.

Standard library only. Python 3.9 or later.
"""

import argparse
import datetime
import hashlib
import io
import json
import math
import os
import socket
import struct
import sys
import threading
import uuid
import zipfile

MAKER, MODEL, FIRMWARE = "Reference", "RI-1", "1.0.0"
# Techniques by the ids that routes and readings name them with, in capitals, each with its revision.
OPTIONS = "VIBRATION:1,GAUGE:1"
CAPACITY = 16_000_000
LONGEST_LINE, LARGEST_BLOCK = 65_536, 64 << 20
FIXED_TIME = (1980, 1, 1, 0, 0, 0)  # so that the same content is the same bytes, and has the same digest


class Failed(Exception):
    """An entry for the error queue."""

    def __init__(self, code, text):
        super().__init__(text)
        self.entry = '%d,"%s"' % (code, text)


class Memory:
    """Files by name, each written whole or not at all."""

    TYPES = {"ROUTES": "ROUTE", "RESULTS": "READINGS", "LOOSE": "LOOSE"}

    def __init__(self, directory):
        self.directory = directory
        self.lock = threading.RLock()
        for folder in self.TYPES:
            os.makedirs(os.path.join(directory, folder), exist_ok=True)

    def names(self):
        return sorted("%s/%s" % (folder, name) for folder in self.TYPES for name in os.listdir(os.path.join(self.directory, folder)) if name.endswith(".zip"))

    def path(self, name):
        if name not in self.names():
            raise Failed(-256, "File name not found")
        return os.path.join(self.directory, name)

    def read(self, name):
        with self.lock, open(self.path(name), "rb") as file:
            return file.read()

    def write(self, name, content):
        with self.lock:
            if sum(len(self.read(other)) for other in self.names() if other != name) + len(content) > CAPACITY:
                raise Failed(-321, "Out of memory")
            target = os.path.join(self.directory, name)
            with open(target + ".part", "wb") as part:
                part.write(content)
                part.flush()
                os.fsync(part.fileno())
            os.replace(target + ".part", target)

    def delete(self, name):
        with self.lock:
            os.remove(self.path(name))

    def catalogue(self):
        with self.lock:
            sizes = {name: len(self.read(name)) for name in self.names()}
            used = sum(sizes.values())
            files = ['"%s,%s,%d"' % (name, self.TYPES[name.split("/")[0]], size) for name, size in sizes.items()]
            return ",".join([str(used), str(CAPACITY - used)] + files)


class Instrument:
    """What it is, what it measures, and its clock."""

    def __init__(self, memory, serial, pass_code):
        self.memory = memory
        self.serial = serial
        self.pass_code = pass_code
        self.ahead = datetime.timedelta(0)

    def now(self):
        return datetime.datetime.now(datetime.timezone.utc) + self.ahead

    def set_clock(self, wanted):
        self.ahead += wanted - self.now()

    def load(self, name, content):
        if name != "ROUTES/ROUTE.zip":
            raise Failed(-224, "Illegal parameter value")
        unpacked(content, "route")  # refuses what is damaged
        self.memory.write(name, content)

    def walk(self):
        route = json.loads(unpacked(self.memory.read("ROUTES/ROUTE.zip"), "route")["route.json"])
        number = len([name for name in self.memory.names() if name.startswith("RESULTS/")]) + 1
        readings, files = [], {}
        for place, stop in enumerate(route["stops"], start=1):
            self.measure("W%06d-%d" % (number, place), stop["technique"], stop["settings"], {"stop": stop["id"]}, readings, files)
        stops = [{"id": stop["id"], "progress": "done", "note": ""} for stop in route["stops"]]
        files["walk.json"] = json.dumps({"id": str(uuid.uuid4()), "route": route["id"], "name": route["name"], "stops": stops}).encode()
        self.keep("RESULTS/W%06d.zip" % number, readings, files)

    def loose(self, label):
        readings, files = [], {}
        self.measure("L-" + uuid.uuid4().hex[:12], "vibration", {}, {"label": label}, readings, files)
        self.keep("LOOSE/LOOSE.zip", readings, files)

    def measure(self, own_id, technique, settings, place, readings, files):
        reading = {"id": own_id, "takenAt": iso(self.now()), "technique": technique, "settings": settings}
        reading.update(place)
        if technique == "vibration":
            rate, count = float(settings.get("rateHz", 25600)), round(2.56 * int(settings.get("lines", 6400)))
            wave = [2 * math.sin(2 * math.pi * 50 * i / rate) for i in range(count)]
            files["captures/%s.wav" % own_id] = wav(wave, rate)
            reading["capture"] = {"kind": "waveform", "path": "captures/%s.wav" % own_id, "unit": "m/s2", "rateHz": rate}
        elif technique == "gauge":
            reading["capture"] = {"kind": "value", "value": 3.5, "unit": settings.get("unit", "bar")}
        else:
            return
        readings.append(reading)

    def keep(self, name, readings, files):
        files["readings.ndjson"] = "".join(json.dumps(reading) + "\n" for reading in readings).encode()
        made_by = {"program": "reference instrument", "maker": MAKER, "model": MODEL, "serial": self.serial, "firmware": FIRMWARE}
        entries = [{"path": path, "size": len(content), "sha256": hashlib.sha256(content).hexdigest()} for path, content in sorted(files.items())]
        manifest = {"format": "rovek-field-package", "version": "1.0", "kind": "readings", "createdAt": iso(self.now()), "madeBy": made_by, "entries": entries}
        packed = io.BytesIO()
        with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as package:
            for path, content in [("manifest.json", json.dumps(manifest).encode())] + sorted(files.items()):
                package.writestr(zipfile.ZipInfo(path, FIXED_TIME), content, zipfile.ZIP_DEFLATED)
        self.memory.write(name, packed.getvalue())


def iso(time):
    return time.strftime("%Y-%m-%dT%H:%M:%S.") + "%03dZ" % (time.microsecond // 1000)


def wav(samples, rate):
    """Mono, 32-bit float: RIFF format tag 3."""
    body = struct.pack("<%df" % len(samples), *samples)
    form = struct.pack("<HHIIHH", 3, 1, round(rate), 4 * round(rate), 4, 32)
    chunks = b"fmt " + struct.pack("<I", len(form)) + form + b"data" + struct.pack("<I", len(body)) + body
    return b"RIFF" + struct.pack("<I", 4 + len(chunks)) + b"WAVE" + chunks


def unpacked(content, kind):
    """The entries of a package, their sizes and digests compared with its manifest."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as package:
            manifest = json.loads(package.read("manifest.json"))
            entries = {entry["path"]: package.read(entry["path"]) for entry in manifest["entries"]}
    except (zipfile.BadZipFile, KeyError, ValueError) as broken:
        raise Failed(-224, "Illegal parameter value") from broken
    whole = all(len(entries[e["path"]]) == e["size"] and hashlib.sha256(entries[e["path"]]).hexdigest() == e["sha256"] for e in manifest["entries"])
    if manifest["kind"] != kind or manifest["version"].split(".")[0] != "1" or not whole:
        raise Failed(-224, "Illegal parameter value")
    return entries


class Session:
    """One conversation: commands in, each ended by LF, answers out, each ended by LF."""

    def __init__(self, instrument, connection):
        self.instrument = instrument
        self.stream = connection.makefile("rwb")
        self.errors = []
        self.unlocked = instrument.pass_code is None

    def serve(self):
        while True:
            message = self.message()
            if message is None:
                return
            header, parameters, block = message
            if not header:
                continue
            asked = header.endswith("?")
            try:
                answer = self.answer(self.word(header), parameters, block)
            except Failed as failed:
                self.errors.append(failed.entry)
                answer = b'""' if asked else None  # a query that fails answers all the same
            except (ValueError, IndexError, OverflowError):
                self.errors.append('-224,"Illegal parameter value"')
                answer = b'""' if asked else None
            if answer is not None:
                self.stream.write(answer + b"\n")
                self.stream.flush()

    def message(self):
        """Header, text parameters, and the block at the end, if there is one."""
        text, block, quoted = bytearray(), None, False
        while True:
            byte = self.stream.read(1)
            if not byte or len(text) > LONGEST_LINE:
                return None
            if byte == b"\n":
                break
            quoted ^= byte == b'"'
            if byte == b"#" and not quoted:
                length = int(self.stream.read(int(self.stream.read(1))))
                if length > LARGEST_BLOCK:
                    return None
                block = self.stream.read(length)
            else:
                text += byte
        header, _, rest = text.decode("utf-8", "replace").strip().partition(" ")
        return header, split(rest), block

    # Header words in their short form: a header may use the short or the long form of each word, in any case.
    SHORT = {"SYSTEM": "SYST", "PASSWORD": "PASS", "CENABLE": "CEN", "ERROR": "ERR", "MMEMORY": "MMEM", "CATALOG": "CAT", "DELETE": "DEL", "ROVEK": "ROV", "DIGEST": "DIG",
             "SLICE": "SLIC", "BATTERY": "BATT", "CALIBRATION": "CAL"}

    @classmethod
    def word(cls, header):
        asked = "?" if header.endswith("?") else ""
        words = header.rstrip("?").lstrip(":").upper().split(":")
        return ":".join(cls.SHORT.get(word, word) for word in words) + asked

    def answer(self, word, parameters, block):
        instrument, memory = self.instrument, self.instrument.memory
        if word == "SYST:ERR?":
            return (self.errors.pop(0) if self.errors else '0,"No error"').encode()
        if word == "SYST:PASS:CEN":
            self.unlocked = instrument.pass_code is None or parameters[0] == instrument.pass_code
            if not self.unlocked:
                raise Failed(-203, "Command protected")
            return None
        if not self.unlocked:
            raise Failed(-203, "Command protected")
        now = instrument.now()
        if word == "*IDN?":
            return ("%s,%s,%s,%s" % (MAKER, MODEL, instrument.serial, FIRMWARE)).encode()
        if word == "*OPT?":
            return ('"%s"' % OPTIONS).encode()
        if word == "SYST:DATE?":
            return ("%d,%d,%d" % (now.year, now.month, now.day)).encode()
        if word == "SYST:TIME?":
            return ("%d,%d,%d" % (now.hour, now.minute, now.second)).encode()
        if word == "SYST:DATE":
            year, month, day = (int(parameter) for parameter in parameters)
            instrument.set_clock(now.replace(year=year, month=month, day=day))
            return None
        if word == "SYST:TIME":
            hour, minute, second = (int(parameter) for parameter in parameters)
            instrument.set_clock(now.replace(hour=hour, minute=minute, second=second, microsecond=0))
            return None
        if word == "MMEM:CAT?":
            return memory.catalogue().encode()
        if word == "MMEM:DATA?":
            return as_block(memory.read(parameters[0]))
        if word == "MMEM:DATA":
            instrument.load(parameters[0], block)
            return None
        if word == "MMEM:DEL":
            memory.delete(parameters[0])
            return None
        if word == "ROV:FILE:DIG?":
            return ('"%s"' % hashlib.sha256(memory.read(parameters[0])).hexdigest()).encode()
        if word == "ROV:FILE:SLIC?":
            offset, count = int(parameters[1]), int(parameters[2])
            if offset < 0 or count < 1:
                raise Failed(-224, "Illegal parameter value")
            return as_block(memory.read(parameters[0])[offset:offset + count])
        if word == "ROV:BATT?":
            return b"80"
        if word in ("ROV:CAL:DATE?", "ROV:CAL:DUE?"):
            return b'"2026-05-01"' if word == "ROV:CAL:DATE?" else b'"2027-05-01"'
        raise Failed(-113, "Undefined header")


def as_block(content):
    length = str(len(content)).encode()
    return b"#" + str(len(length)).encode() + length + content


def split(text):
    """Parameters at commas outside quotes; the quotes taken off, a doubled one inside made one."""
    parts, part, quoted = [], "", False
    for character in text:
        quoted ^= character == '"'
        if character == "," and not quoted:
            parts.append(part)
            part = ""
        else:
            part += character
    if part.strip() or parts:
        parts.append(part)
    parts = [part.strip() for part in parts if part.strip()]
    return [part[1:-1].replace('""', '"') if len(part) >= 2 and part[0] == part[-1] == '"' else part for part in parts]


def listen(listening, instrument):
    while True:
        connection, _ = listening.accept()
        with connection:
            connection.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
            try:
                Session(instrument, connection).serve()
            except OSError:
                pass  # the other side has hung up: the next one may come


def main():
    options = argparse.ArgumentParser(description="A small instrument that Rovek loads and reads back.")
    options.add_argument("--memory", required=True)
    options.add_argument("--port", type=int, default=5025)
    options.add_argument("--serial", default="R-1")
    options.add_argument("--pass-code")
    chosen = options.parse_args()
    instrument = Instrument(Memory(chosen.memory), chosen.serial, chosen.pass_code)
    listening = socket.create_server(("127.0.0.1", chosen.port))
    print("listening on %d" % listening.getsockname()[1], flush=True)
    threading.Thread(target=listen, args=(listening, instrument), daemon=True).start()
    for line in sys.stdin:
        word, _, rest = line.strip().partition(" ")
        if word == "walk":
            instrument.walk()
        elif word == "loose":
            instrument.loose(rest)
        elif word == "quit":
            return
        print("done", flush=True)


if __name__ == "__main__":
    main()
