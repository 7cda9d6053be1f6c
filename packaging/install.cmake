# What is installed where, and the Debian packages made of it: rivlen, and rivlen-lv2 for other programs.
set(CMAKE_INSTALL_DEFAULT_COMPONENT_NAME main)
install(TARGETS rivlen-desk rivlen-cli rivlen-cleaner RUNTIME DESTINATION bin)
install(TARGETS rivlen-torch rivlen-sight LIBRARY DESTINATION ${RIVLEN_LIBRARY_FOLDER})
install(TARGETS rivlen-network-host rivlen-effect-host RUNTIME DESTINATION ${RIVLEN_LIBRARY_FOLDER})
foreach(folder networks scene presets fonts marks demo)
  install(DIRECTORY ${folder} DESTINATION share/rivlen PATTERN "*.py" EXCLUDE PATTERN "__pycache__" EXCLUDE)
endforeach()
install(FILES ${RIVLEN_MESSAGES} translations/core.txt DESTINATION share/rivlen/translations)
install(FILES packaging/rivlen.desktop DESTINATION share/applications)
install(FILES packaging/icons/rivlen.svg DESTINATION share/icons/hicolor/scalable/apps)
install(FILES packaging/rivlen.xml DESTINATION share/mime/packages)
install(FILES packaging/rivlen.metainfo.xml DESTINATION share/metainfo RENAME example.rivlen.Rivlen.metainfo.xml)
# Hosts look for bundles here, on Debian as elsewhere.
install(TARGETS rivlen-lv2 LIBRARY DESTINATION lib/lv2/rivlen.lv2 COMPONENT lv2)
install(FILES src/lv2/rivlen.lv2/manifest.ttl src/lv2/rivlen.lv2/rivlen.ttl DESTINATION lib/lv2/rivlen.lv2 COMPONENT lv2)
install(TARGETS rivlen-live-host RUNTIME DESTINATION ${RIVLEN_LIBRARY_FOLDER} COMPONENT lv2)
install(FILES packaging/rivlen-lv2.metainfo.xml DESTINATION share/metainfo RENAME example.rivlen.Rivlen.lv2.metainfo.xml COMPONENT lv2)
install(FILES packaging/copyright DESTINATION share/doc/rivlen-lv2 COMPONENT lv2)
install(FILES packaging/copyright DESTINATION share/doc/rivlen)
install(FILES packaging/lintian-overrides DESTINATION share/lintian/overrides RENAME rivlen)

# Manual pages and the changelog are compressed, without a date of their own.
function(rivlen_compressed source destination name)
  set(made ${CMAKE_BINARY_DIR}/packaging/${name}.gz)
  add_custom_command(OUTPUT ${made} COMMAND ${CMAKE_COMMAND} -E make_directory ${CMAKE_BINARY_DIR}/packaging
    COMMAND sh -c "gzip -9nc '${CMAKE_SOURCE_DIR}/${source}' > '${made}'" DEPENDS ${source} VERBATIM)
  if(NOT TARGET compressed-${name})
    add_custom_target(compressed-${name} ALL DEPENDS ${made})
  endif()
  install(FILES ${made} DESTINATION ${destination} ${ARGN})
endfunction()
rivlen_compressed(packaging/rivlen-cli.1 share/man/man1 rivlen-cli.1)
rivlen_compressed(packaging/rivlen-cleaner.1 share/man/man1 rivlen-cleaner.1)
rivlen_compressed(packaging/rivlen-desk.1 share/man/man1 rivlen-desk.1)
rivlen_compressed(packaging/changelog share/doc/rivlen changelog)
install(FILES ${CMAKE_BINARY_DIR}/packaging/changelog.gz DESTINATION share/doc/rivlen-lv2 COMPONENT lv2)

set(CPACK_GENERATOR DEB)
set(CPACK_PACKAGE_NAME rivlen)
set(CPACK_DEB_COMPONENT_INSTALL ON)
set(CPACK_COMPONENTS_ALL main lv2)
set(CPACK_COMPONENTS_GROUPING IGNORE)
set(CPACK_DEBIAN_MAIN_PACKAGE_NAME rivlen)
set(CPACK_DEBIAN_LV2_PACKAGE_NAME rivlen-lv2)
set(CPACK_DEBIAN_LV2_PACKAGE_DEPENDS "rivlen (= ${PROJECT_VERSION})")
set(CPACK_PACKAGE_CONTACT "The Rivlen team <team@rivlen.example>")
set(CPACK_PACKAGE_DESCRIPTION_SUMMARY "takes mixed recordings apart into dialogue, music and ambience")
set(CPACK_DEBIAN_PACKAGE_DESCRIPTION "For audio post production: separates mixed recordings into dialogue, music and
ambience with learned networks, tunes how strong the isolation is against its
artefacts, mends faults, rebuilds clean tracks, and delivers them checked, at
the right loudness and in sync with the picture. All work stays on this
machine.")
# The synopsis of both is the project's; this follows it.
set(CPACK_DEBIAN_MAIN_DESCRIPTION "${CPACK_DEBIAN_PACKAGE_DESCRIPTION}")
set(CPACK_DEBIAN_LV2_DESCRIPTION "Rivlen as an effect (LV2) in other programs: keeps or removes
dialogue, music or ambience while another program plays, with Rivlen's
networks. It is late by what it reports.")
set(CPACK_DEBIAN_FILE_NAME DEB-DEFAULT)
set(CPACK_DEBIAN_PACKAGE_SECTION sound)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS ON)
set(CPACK_DEBIAN_PACKAGE_SHLIBDEPS_PRIVATE_DIRS ${CMAKE_BINARY_DIR}/bin)
set(CPACK_DEBIAN_PACKAGE_DEPENDS "qt6-qpa-plugins, libopenblas0-pthread")
set(CPACK_DEBIAN_PACKAGE_RECOMMENDS "qt6-translations-l10n")
set(CPACK_DEBIAN_PACKAGE_CONTROL_STRICT_PERMISSION ON)
set(CPACK_STRIP_FILES ON)
set(CPACK_PACKAGING_INSTALL_PREFIX /usr)
set(CPACK_INSTALL_DEFAULT_DIRECTORY_PERMISSIONS OWNER_READ OWNER_WRITE OWNER_EXECUTE GROUP_READ GROUP_EXECUTE WORLD_READ WORLD_EXECUTE)
include(CPack)
