package looseecho.exchange;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import looseecho.disk.WholeFile;
import looseecho.echo.DrumPart;
import looseecho.echo.LinePart;
import looseecho.echo.Part;
import looseecho.echo.Template;
import looseecho.echo.TemplateSection;
import looseecho.exchange.ScoreBars.Bar;
import looseecho.exchange.ScoreBars.Cell;
import looseecho.notes.Line;
import looseecho.pulse.Meter;

/**
 * Writes a template as a score: a part for each drum and line, bar by bar.
 *
 * <p>Source: MusicXML 4.0, W3C Music Notation Community Group final report (2021).
 */
public final class MusicXmlWriter {
  private static final int DIVISIONS = 12; // of a quarter: sixteenths and their triplets
  private static final String[] SHARPS = {
    "C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"
  };
  private static final String[] FLATS = {
    "C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B"
  };

  private final Template t;
  private final String title;
  private final XMLStreamWriter x;

  private MusicXmlWriter(Template t, String title, XMLStreamWriter x) {
    this.t = t;
    this.title = title;
    this.x = x;
  }

  /** Writes the file, whole or not at all. */
  public static void write(Template t, String title, Path path) throws IOException {
    WholeFile.write(
        path,
        part -> {
          try (OutputStream out = Files.newOutputStream(part)) {
            XMLStreamWriter x =
                XMLOutputFactory.newFactory()
                    .createXMLStreamWriter(out, StandardCharsets.UTF_8.name());
            new MusicXmlWriter(t, title, x).all();
            x.close();
          } catch (XMLStreamException e) {
            throw new IOException("the score can't be written", e);
          }
        });
  }

  private void all() throws XMLStreamException {
    x.writeStartDocument("UTF-8", "1.0");
    x.writeDTD(
        "<!DOCTYPE score-partwise PUBLIC \"-//Recordare//DTD MusicXML 4.0 Partwise//EN\""
            + " \"http://www.musicxml.org/dtds/partwise.dtd\">");
    x.writeStartElement("score-partwise");
    x.writeAttribute("version", "4.0");
    x.writeStartElement("work");
    text("work-title", title);
    x.writeEndElement();
    List<Part> parts = Part.of(t).stream().filter(p -> plays(p)).toList();
    x.writeStartElement("part-list");
    for (int k = 0; k < parts.size(); k++) {
      listed(parts.get(k), k + 1);
    }
    x.writeEndElement();
    for (int k = 0; k < parts.size(); k++) {
      x.writeStartElement("part");
      x.writeAttribute("id", "P" + (k + 1));
      part(parts.get(k), k + 1);
      x.writeEndElement();
    }
    x.writeEndElement();
    x.writeEndDocument();
  }

  private boolean plays(Part p) {
    return t.sections().stream().anyMatch(s -> p.size(s) > 0);
  }

  private void listed(Part part, int number) throws XMLStreamException {
    x.writeStartElement("score-part");
    x.writeAttribute("id", "P" + number);
    text("part-name", t.name(part));
    if (part instanceof DrumPart d) {
      x.writeStartElement("score-instrument");
      x.writeAttribute("id", "P" + number + "-I1");
      text("instrument-name", t.name(part));
      x.writeEndElement();
      x.writeStartElement("midi-instrument");
      x.writeAttribute("id", "P" + number + "-I1");
      text("midi-channel", "10");
      text("midi-unpitched", String.valueOf(d.lane().midi() + 1));
      x.writeEndElement();
    }
    x.writeEndElement();
  }

  private void part(Part part, int number) throws XMLStreamException {
    int bar = 1;
    int length = -1;
    for (int s = 0; s < t.sections().size(); s++) {
      TemplateSection section = t.sections().get(s);
      for (Bar b : ScoreBars.of(t, s, part)) {
        x.writeStartElement("measure");
        x.writeAttribute("number", String.valueOf(bar));
        attributes(part, bar == 1, b.ticks() == length ? 0 : b.ticks());
        length = b.ticks();
        if (b.first()) {
          said("words", (section.label() + " " + section.role()).strip(), bar == 1);
        }
        for (Cell c : b.cells()) {
          cell(part, number, c);
        }
        x.writeEndElement();
        bar++;
      }
    }
  }

  /** Key and clef once; the time signature whenever a bar is of another length (not 0). */
  private void attributes(Part part, boolean first, int ticks) throws XMLStreamException {
    if (!first && ticks == 0) {
      return;
    }
    x.writeStartElement("attributes");
    if (first) {
      text("divisions", String.valueOf(DIVISIONS));
      x.writeStartElement("key");
      text("fifths", String.valueOf(part instanceof DrumPart ? 0 : t.key().fifths()));
      x.writeEndElement();
    }
    x.writeStartElement("time");
    boolean whole = ticks == t.ticksPerBar();
    String[] usual = t.meter().words().split("/", -1);
    boolean quarters = ticks % Meter.QUARTER == 0;
    text("beats", whole ? usual[0] : String.valueOf(ticks / (quarters ? 960 : 240)));
    text("beat-type", whole ? usual[1] : quarters ? "4" : "16");
    x.writeEndElement();
    if (first) {
      x.writeStartElement("clef");
      boolean bass = part instanceof LinePart l && l.line() == Line.BASS;
      text("sign", part instanceof DrumPart ? "percussion" : bass ? "F" : "G");
      if (!(part instanceof DrumPart)) {
        text("line", bass ? "4" : "2");
      }
      x.writeEndElement();
    }
    x.writeEndElement();
  }

  private void said(String what, String words, boolean tempo) throws XMLStreamException {
    x.writeStartElement("direction");
    x.writeAttribute("placement", "above");
    x.writeStartElement("direction-type");
    text(what, words.isEmpty() ? "-" : words);
    x.writeEndElement();
    if (tempo) {
      x.writeEmptyElement("sound");
      double quarters = t.bpm() * t.meter().quartersPerBeat();
      x.writeAttribute("tempo", String.format(Locale.ROOT, "%.3f", quarters));
    }
    x.writeEndElement();
  }

  /** A rest, a stroke, or the notes of a chord. */
  private void cell(Part part, int number, Cell c) throws XMLStreamException {
    List<Integer> pitches = c.pitches().isEmpty() ? List.of(-1) : c.pitches();
    for (int k = 0; k < pitches.size(); k++) {
      x.writeStartElement("note");
      if (c.velocity() > 0) {
        x.writeAttribute("dynamics", String.format(Locale.ROOT, "%.2f", 100 * c.velocity() / 90.0));
      }
      if (k > 0) {
        x.writeEmptyElement("chord");
      }
      if (c.velocity() == 0) {
        x.writeEmptyElement("rest");
      } else if (part instanceof DrumPart) {
        x.writeStartElement("unpitched");
        text("display-step", "B");
        text("display-octave", "4");
        x.writeEndElement();
      } else {
        pitch(pitches.get(k));
      }
      text("duration", String.valueOf(c.ticks() * DIVISIONS / Meter.QUARTER));
      tie(c);
      if (part instanceof DrumPart && c.velocity() > 0) {
        x.writeEmptyElement("instrument");
        x.writeAttribute("id", "P" + number + "-I1");
      }
      text("voice", "1");
      value(c);
      tied(c);
      x.writeEndElement();
    }
  }

  private void tie(Cell c) throws XMLStreamException {
    for (String type : ties(c)) {
      x.writeEmptyElement("tie");
      x.writeAttribute("type", type);
    }
  }

  private void tied(Cell c) throws XMLStreamException {
    if (!ties(c).isEmpty()) {
      x.writeStartElement("notations");
      for (String type : ties(c)) {
        x.writeEmptyElement("tied");
        x.writeAttribute("type", type);
      }
      x.writeEndElement();
    }
  }

  private static List<String> ties(Cell c) {
    List<String> out = new ArrayList<>();
    if (c.from()) {
      out.add("stop");
    }
    if (c.on()) {
      out.add("start");
    }
    return out;
  }

  private void value(Cell c) throws XMLStreamException {
    ScoreBars.Value v = ScoreBars.value(c.ticks());
    text("type", v.type());
    if (v.dotted()) {
      x.writeEmptyElement("dot");
    }
    if (v.triplet()) {
      x.writeStartElement("time-modification");
      text("actual-notes", "3");
      text("normal-notes", "2");
      x.writeEndElement();
    }
  }

  private void pitch(int midi) throws XMLStreamException {
    String name = (t.key().fifths() < 0 ? FLATS : SHARPS)[midi % 12];
    x.writeStartElement("pitch");
    text("step", name.substring(0, 1));
    if (name.length() > 1) {
      text("alter", name.charAt(1) == '#' ? "1" : "-1");
    }
    text("octave", String.valueOf(midi / 12 - 1));
    x.writeEndElement();
  }

  private void text(String element, String words) throws XMLStreamException {
    x.writeStartElement(element);
    x.writeCharacters(words);
    x.writeEndElement();
  }
}
