package fret.format.musicxml;

import java.io.InputStream;
import java.io.Reader;
import org.w3c.dom.ls.LSInput;

/** A schema taken from the class path instead of the network. */
record SchemaInput(String publicId, String systemId, InputStream stream) implements LSInput {
  @Override
  public Reader getCharacterStream() {
    return null;
  }

  @Override
  public void setCharacterStream(Reader reader) {}

  @Override
  public InputStream getByteStream() {
    return stream;
  }

  @Override
  public void setByteStream(InputStream in) {}

  @Override
  public String getStringData() {
    return null;
  }

  @Override
  public void setStringData(String data) {}

  @Override
  public String getSystemId() {
    return systemId;
  }

  @Override
  public void setSystemId(String id) {}

  @Override
  public String getPublicId() {
    return publicId;
  }

  @Override
  public void setPublicId(String id) {}

  @Override
  public String getBaseURI() {
    return null;
  }

  @Override
  public void setBaseURI(String uri) {}

  @Override
  public String getEncoding() {
    return null;
  }

  @Override
  public void setEncoding(String encoding) {}

  @Override
  public boolean getCertifiedText() {
    return false;
  }

  @Override
  public void setCertifiedText(boolean certified) {}
}
