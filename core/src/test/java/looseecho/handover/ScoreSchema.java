package looseecho.handover;

import java.io.StringReader;
import java.util.List;
import javax.xml.XMLConstants;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.SchemaFactory;
import org.mockito.Mockito;
import org.w3c.dom.ls.LSInput;

/** The published schema of MusicXML 4.0; what it refers to of other standards is given in short. */
final class ScoreSchema {
  private ScoreSchema() {}

  /** Passes where a score follows it. */
  static void check(String score) throws Exception {
    SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
    factory.setResourceResolver((type, space, id, system, base) -> inShort(space));
    var file = ScoreSchema.class.getResource("/looseecho/exchange/musicxml-4.0.xsd");
    String plain = score.replaceFirst("<!DOCTYPE[^>]*>", ""); // it would be looked for elsewhere
    factory.newSchema(file).newValidator().validate(new StreamSource(new StringReader(plain)));
  }

  private static LSInput inShort(String space) {
    String attributes =
        space.endsWith("xlink")
            ? List.of("href", "type", "role", "title", "show", "actuate").stream()
                .map(a -> "<xs:attribute name='" + a + "' type='xs:string'/>")
                .reduce("", String::concat)
            : "<xs:attribute name='lang' type='xs:language'/>"
                + "<xs:attribute name='space' type='xs:NCName'/>";
    String schema =
        "<xs:schema xmlns:xs='http://www.w3.org/2001/XMLSchema' targetNamespace='"
            + space
            + "'>"
            + attributes
            + "</xs:schema>";
    LSInput input = Mockito.mock(LSInput.class);
    Mockito.when(input.getCharacterStream()).thenReturn(new StringReader(schema));
    return input;
  }
}
