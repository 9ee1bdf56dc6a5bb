package looseecho.handover;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.logging.Level;
import java.util.logging.Logger;
import looseecho.disk.WholeFile;

/** Prints a sheet into a PDF. */
final class SheetPdf {
  private static final String FONT_CACHE = "pdfbox.fontcache";

  /** Paper sizes in millimetres. */
  enum Paper {
    A4(210, 297),
    LETTER(215.9f, 279.4f);

    private final float width;
    private final float height;

    Paper(float width, float height) {
      this.width = width;
      this.height = height;
    }
  }

  /** Held, so that it is not made anew; it tells about fonts of the system, which nobody asked. */
  private static final Logger QUIET = Logger.getLogger("org.apache.pdfbox");

  static {
    QUIET.setLevel(Level.OFF);
    XRLog.setLoggingEnabled(false);
    if (System.getProperty(FONT_CACHE) == null) { // else it lies in the person's home
      System.setProperty(FONT_CACHE, System.getProperty("java.io.tmpdir"));
    }
  }

  private SheetPdf() {}

  static Path write(String html, Paper paper, Path file) throws IOException {
    WholeFile.write(
        file,
        part -> {
          try (OutputStream out = Files.newOutputStream(part)) {
            PdfRendererBuilder b = new PdfRendererBuilder();
            b.useFastMode();
            b.useDefaultPageSize(paper.width, paper.height, PdfRendererBuilder.PageSizeUnits.MM);
            b.withHtmlContent(printable(html), null);
            b.toStream(out);
            b.run();
          }
        });
    return file;
  }

  /** The fonts that every PDF reader has know Latin letters only. */
  private static String printable(String html) {
    return html.replace('\u266d', 'b').replace('\u266f', '#').replace('\u2212', '-');
  }
}
